import { Button, Modal } from 'antd';

interface KeepsNothingProps {
  readonly onAnswer: (replace: boolean) => void;
  readonly onExport: () => void;
}

/** Where the browser keeps nothing, another layout takes the open one's place: that is asked first. */
export default function KeepsNothing({ onAnswer, onExport }: KeepsNothingProps) {
  const back = (): void => onAnswer(false);
  return (
    <Modal
      open
      title="This browser keeps nothing"
      onCancel={back}
      footer={
        <>
          <Button onClick={() => onAnswer(true)}>Go on without it</Button>
          <Button
            onClick={() => {
              onExport();
              onAnswer(true);
            }}
          >
            Export it and go on
          </Button>
          <Button type="primary" onClick={back}>
            Back
          </Button>
        </>
      }
    >
      <p>The open layout has changes that are in no file yet: what comes now takes its place.</p>
    </Modal>
  );
}
