import { Alert, Button } from 'antd';
import { reloadSafely } from '../storage/session';
import { useProgramStore, type ProgramTrouble } from '../store/program-store';

const says: Readonly<Record<ProgramTrouble['kind'], { readonly title: string; readonly does: string }>> = {
  computing: {
    title: 'What computes has stopped twice at the same question.',
    does: 'Your layout is safe, and edits go on being saved. A reload starts everything anew; if it stops again, the last edit is what it stops at.',
  },
  updated: {
    title: 'Hazel Spark has been updated since this page was opened.',
    does: 'Your layout is safe. A reload brings the page up to date.',
  },
  part: {
    title: 'A part of Hazel Spark could not be fetched.',
    does: 'Your layout is safe. The server could not be reached, or an update has replaced that part: a reload fetches what there is now.',
  },
  unexpected: {
    title: 'Something failed that should not.',
    does: 'What is saved is safe. If anything looks wrong, a reload starts everything anew.',
  },
};

/** What is wrong with the program itself, what is safe, and the one press that mends it. */
export function ProgramNotice() {
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
      description={trouble.kind === 'unexpected' ? `${does} It says: ${trouble.reason}` : does}
      action={
        <Button size="small" type="primary" onClick={() => void reloadSafely()}>
          Save and reload
        </Button>
      }
    />
  );
}
