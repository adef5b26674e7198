import { driverOn, setDriver } from '../../../core/study/begin-driven';
import { driverKind, driverKinds, type DriverKindName } from '../../../core/supply/drivers';
import { pinsOf } from '../../../core/supply/drivers/driver-kind';
import { formatQuantity } from '../../../core/quantity/format';
import { supplyKind } from '../../../core/supply';
import { useLayoutStore } from '../../store/layout-store';
import { LegendFields } from '../legend-fields';
import { SupplyFields } from '../supplies';
import { SupplyField } from '../supply-field';
import { drivenIn } from './driven-in';
import { CommonChoice, DriverChoice } from './begin-choices';
import { drivenSupplies } from './supplies';
import { DriverFields } from './driver-fields';
import type { AnyJob } from '../../../core/document/layout';
import type { Driven } from '../../../core/document/aspect-record';
import type { PanelProps } from '../../kinds/face';

/** What feeds it, and what switches its lamps. */
export function DriverPanel({ layout, jobId, job }: PanelProps<AnyJob & Driven>) {
  const edit = useLayoutStore((s) => s.edit);
  const supply = layout.supplies[job.supplyId];
  const { driver } = job;
  const choose = (name: DriverKindName): void =>
    edit(`Switched by: ${driverKinds[name].name}`, (draft) => {
      const own = drivenIn(draft, jobId);
      const next = driverOn(name, supply, Object.keys(job.lamps).length);
      if ('switches' in next) next.switches = job.common === 'anode' ? 'minus' : 'plus';
      setDriver(layout, own, next);
    });
  return (
    <div className="choices">
      <h2>What feeds and switches it</h2>
      <SupplyField layout={layout} jobId={jobId} kinds={drivenSupplies} />
      <SupplyFields supplyId={job.supplyId} supply={supply} />
      {driver === null ? (
        <p className="hint">Its lamp is always lit; the arm, moved by wire or motor, shows the aspect.</p>
      ) : (
        <>
          <DriverChoice columns={1} value={driver.kind} onChoose={choose} />
          <DriverFields layout={layout} jobId={jobId} driver={driver} />
        </>
      )}
      {!sharesNothing(driver) && (
        <CommonChoice
          value={job.common}
          onChoose={(common) =>
            edit('Joined in the head', (draft) => void (drivenIn(draft, jobId).common = common))
          }
        />
      )}
      {driver && <Limits driver={driver} />}
      <LegendFields jobId={jobId} legend={job.legend} />
      <p className="hint">
        {supplyKind(supply).onTrack ? 'One kind of supply on a track at a time. ' : ''}Never work on the mains
        side of a supply.
      </p>
    </div>
  );
}

/** Whether lamps hang between two contacts of a driver, and share none. */
const sharesNothing = (driver: Driven['driver']): boolean =>
  driver !== null &&
  driverKind(driver)
    .build(driver)
    .outputs.some((o) => o.between);

/** What its outputs bear. */
function Limits({ driver }: { readonly driver: NonNullable<Driven['driver']> }) {
  const build = driverKind(driver).build(driver);
  const { outputs, totalAmps, switches } = build;
  const [pin] = pinsOf(build);
  return (
    <p className="hint">
      {outputs.length} outputs{' '}
      {sharesNothing(driver) ? `between ${pinsOf(build).length} contacts` : `that switch ${switches}`},{' '}
      {formatQuantity(pin.limitAmps, 'amp')} each, {formatQuantity(totalAmps, 'amp')} in all.
    </p>
  );
}
