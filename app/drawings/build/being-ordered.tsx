import { Button } from 'antd';
import type { TaskState } from '../../workers/use-study';

/** Stands where an order will, while it is searched for: how far a long search is, and a way to stop it. */
export function BeingOrdered({
  share,
  cancelled,
  cancel,
}: Pick<TaskState<unknown>, 'share' | 'cancelled' | 'cancel'>) {
  if (cancelled) return <p className="stale-note">Stopped. The next change starts it again.</p>;
  return (
    <p className="stale-note" role="status">
      Being put in order…{share !== null && ` ${Math.round(100 * share)} %`}
      {share !== null && (
        <Button size="small" onClick={cancel}>
          Stop
        </Button>
      )}
    </p>
  );
}
