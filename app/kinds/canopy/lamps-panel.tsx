import { inOrder } from '../../../core/document/in-order';
import { plainLamp } from '../../../core/document/lamp-record';
import { usualCircuit } from '../../../core/document/usual-circuit';
import { freeId } from '../../../core/document/usual-supply';
import { canopyIn } from '../../../core/kinds/canopy/jobs';
import { canopySideName, canopySides, placesOfString } from '../../../core/kinds/canopy/string';
import { FEED, hookUp, SCENIC_AMPS } from '../../../core/study/hook-up';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { LampFields } from '../../panels/scenery/lamp-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { CanopyRecord, CanopySide } from '../../../core/kinds/canopy/record';
import type { PanelProps } from '../face';

/** How many lamps on each side, which, and where along the roof. */
export function LampsPanel(props: PanelProps<CanopyRecord>) {
  const { layout, jobId, job, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  const on = (side: CanopySide) => inOrder(job.lamps).filter((l) => l.side === side);
  const setCount = (side: CanopySide, count: number): void =>
    edit(`Lamps: ${canopySideName(side).toLowerCase()}`, (draft) => {
      const own = canopyIn(draft, jobId);
      const before = on(side);
      const like = before[before.length - 1] ?? inOrder(job.lamps)[0];
      for (const { id } of before.slice(count)) Reflect.deleteProperty(own.lamps, id);
      if (count > 0 && !Object.hasOwn(own.circuits, side))
        own.circuits[side] = usualCircuit(canopySides.indexOf(side) + 1, canopySideName(side), FEED);
      const places = placesOfString(own.roof, count);
      before.slice(0, count).forEach((l, i) => (own.lamps[l.id].alongMillimetres = places[i]));
      for (let n = before.length; n < count; n++)
        own.lamps[freeId(own.lamps, `${side}-${n + 1}`)] = {
          ...plainLamp,
          part: like?.part ?? 'white-warm',
          tint: like?.tint ?? 'none',
          order: 1000 * canopySides.indexOf(side) + n + 1,
          circuitId: side,
          side,
          alongMillimetres: places[n],
        };
      // What limits a side is for all of its lamps.
      const lit = (id: string): number =>
        solved.readings?.dies.find((d) => d.circuitId === id)?.litAmps ?? SCENIC_AMPS;
      hookUp(layout, own, own.hookUp, lit, 'string');
    });
  return (
    <LampFields
      of={props}
      title="Lamps of the string"
      before={
        <div className="two-fields">
          {canopySides.map((side) => (
            <CountField
              key={side}
              label={canopySideName(side)}
              count={on(side).length}
              least={side === 'near' ? 1 : 0}
              most={60}
              onCommit={(n) => setCount(side, n)}
            />
          ))}
        </div>
      }
      about={(lampId) => (
        <NumberField
          label="From the left end"
          unit="millimetre"
          figure={job.lamps[lampId].alongMillimetres}
          limits={{
            least: 0,
            most: job.roof.lengthMillimetres,
            range: `0 mm to ${job.roof.lengthMillimetres} mm`,
          }}
          onCommit={(mm) =>
            edit(
              'Place of a lamp',
              (draft) => void (canopyIn(draft, jobId).lamps[lampId].alongMillimetres = mm),
            )
          }
        />
      )}
    />
  );
}
