import { Button } from 'antd';
import type { Remedy } from '../../core/finding/finding';

interface PreviewBandProps {
  readonly remedy: Remedy;
  readonly onKeep: (remedy: Remedy) => void;
  readonly onBack: () => void;
}

/** Says over the stage that what is shown is only a look. */
export function PreviewBand({ remedy, onKeep, onBack }: PreviewBandProps) {
  return (
    <div className="stage-band" role="status">
      Only a look: {remedy.label}
      <Button type="primary" onClick={() => onKeep(remedy)}>
        Keep it
      </Button>
      <Button onClick={onBack}>Back</Button>
    </div>
  );
}
