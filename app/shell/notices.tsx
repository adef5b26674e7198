import { Button } from 'antd';
import { lazy, Suspense } from 'react';
import { useLayoutStore } from '../store/layout-store';
import { useProgramStore } from '../store/program-store';
import { useShelfStore } from '../store/shelf-store';

const StorageNotices = lazy(() => import('./storage-notices').catch(() => ({ default: NotFetched })));
const ProgramNotice = lazy(() => import('./program-notice').catch(() => ({ default: NotFetched })));

/** Stands in where the words cannot be fetched either. */
function NotFetched() {
  return (
    <p className="field-refusal" role="alert">
      The server cannot be reached. What is saved is safe; export the rest.{' '}
      <Button onClick={() => location.reload()}>Reload</Button>
    </p>
  );
}

/** What the person has to know about the program and about how the work is kept, above every page. */
export function Notices() {
  const failing = useProgramStore((s) => s.trouble !== null);
  const choices = useLayoutStore((s) => s.choices.length > 0);
  const kept = useShelfStore(
    ({ trouble, notOpened, save, recovered, remind }) =>
      trouble !== null ||
      notOpened !== null ||
      save.kind === 'full' ||
      save.kind === 'failed' ||
      recovered.length > 0 ||
      remind,
  );
  return (
    <div className="notices">
      <Suspense fallback={null}>
        {failing && <ProgramNotice />}
        {(kept || choices) && <StorageNotices />}
      </Suspense>
    </div>
  );
}
