import { Alert, Button } from 'antd';
import { reloadSafely } from '../storage/session';
import { useProgramStore, type ProgramTrouble } from '../store/program-store';

const says: Readonly<Record<ProgramTrouble['kind'], { readonly title: string; readonly does: string }>> = {
  computing: {
    title: 'What computes has stopped twice at the same question.',
    does: 'Edits go on being saved. If it stops again after a reload, undo the last edit.',
  },
  updated: {
    title: 'Hazel Spark has been updated since this page was opened.',
    does: 'A reload brings the page up to date.',
  },
  part: {
    title: 'A part of Hazel Spark could not be fetched.',
    does: 'The server could not be reached, or an update has replaced it: a reload fetches what there is now.',
  },
  unexpected: {
    title: 'Something failed that should not.',
    does: 'If anything looks wrong, reload.',
  },
};

/** What is wrong with the program itself, what is safe, and the one press that mends it. */
export default function ProgramNotice() {
  const trouble = useProgramStore((s) => s.trouble);
  const say = useProgramStore((s) => s.say);
  if (!trouble) return null;
  const { title, does } = says[trouble.kind];
  return (
    <Alert
      type="warning"
      showIcon
      closable={{ onClose: () => say(null) }}
      title={title}
      description={`Your layout is safe. ${does}${trouble.kind === 'unexpected' ? ` It says: ${trouble.reason}` : ''}`}
      action={
        <Button size="small" type="primary" onClick={() => void reloadSafely()}>
          Save and reload
        </Button>
      }
    />
  );
}
