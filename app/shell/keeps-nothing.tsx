import { Button, Modal } from 'antd';

interface KeepsNothingProps {
  readonly onAgree: () => void;
  readonly onBack: () => void;
}

/** Where the browser keeps nothing, another layout takes the open one's place: that is asked first. */
export default function KeepsNothing({ onAgree, onBack }: KeepsNothingProps) {
  return (
    <Modal
      open
      title="This browser keeps nothing"
      onCancel={onBack}
      footer={
        <>
          <Button onClick={onAgree}>Go on without it</Button>
          <Button type="primary" onClick={onBack}>
            Back
          </Button>
        </>
      }
    >
      <p>The open layout will be gone unless you have exported it.</p>
    </Modal>
  );
}
