import { Button, Modal, Progress } from 'antd';

interface FileProgressProps {
  readonly title: string;
  /** 0 to 1. */
  readonly share: number;
  readonly stop: () => void;
}

/** How far reading or writing a file is. */
export default function FileProgress({ title, share, stop }: FileProgressProps) {
  return (
    <Modal
      open
      title={title}
      closable={false}
      onCancel={stop}
      mask={{ closable: false }}
      footer={<Button onClick={stop}>Stop</Button>}
    >
      <Progress percent={Math.round(100 * share)} strokeColor="#3e5b4f" />
    </Modal>
  );
}
