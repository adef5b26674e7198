import { Button } from 'antd';
import { Link } from 'react-router';
import { formatQuantity } from '../../../core/quantity/format';
import { ampsOnPlan, putOnPlan } from '../../../core/overhead/on-plan';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';
import type { RigPower } from '../../../core/overhead/power';

interface OnFeedsProps {
  readonly layout: Layout;
  readonly rigId: string;
  readonly power: RigPower;
}

/** Figures that differ by less are the same. */
const SAME = 0.02;

/** The rig as a load of the power under the boards. */
export function OnFeeds({ layout, rigId, power }: OnFeedsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const there = ampsOnPlan(layout, rigId);
  const put = (): void =>
    edit(`${layout.rigs[rigId].name} on the plan of feeds`, (draft) => putOnPlan(draft, rigId, power));
  if (there === null) return <Button onClick={put}>Put it on the plan of feeds</Button>;
  const same = Math.abs(there / power.supplyAmps - 1) < SAME;
  return (
    <p>
      On the <Link to="/feeds">plan of feeds</Link> with {formatQuantity(there, 'amp')}.{' '}
      {!same && <Button onClick={put}>Bring it up to date there</Button>}
    </p>
  );
}
