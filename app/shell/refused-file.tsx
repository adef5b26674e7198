import { Button, Modal } from 'antd';
import type { FileComplaint } from '../../core/document/file';

interface RefusedFileProps {
  readonly name: string;
  readonly complaints: readonly FileComplaint[];
  readonly onClose: () => void;
}

/** Why a file was not opened: every complaint with its path. */
export default function RefusedFile({ name, complaints, onClose }: RefusedFileProps) {
  return (
    <Modal
      open
      title={`${name} was not opened`}
      onCancel={onClose}
      footer={
        <Button type="primary" onClick={onClose}>
          Back to the open layout
        </Button>
      }
    >
      <p>The open layout is as it was. What is wrong with the file:</p>
      <ul className="complaints" data-testid="complaints">
        {complaints.map((c) => (
          <li key={`${c.path} ${c.reason}`}>
            {c.path !== '' && <code>{c.path}: </code>}
            {c.reason}
          </li>
        ))}
      </ul>
    </Modal>
  );
}
