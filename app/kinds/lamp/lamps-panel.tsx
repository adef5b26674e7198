import { inOrder } from '../../../core/document/in-order';
import { plainLamp } from '../../../core/document/lamp-record';
import { freeId } from '../../../core/document/usual-supply';
import { lampsIn } from '../../../core/kinds/lamp/jobs';
import { rowMillimetres, spaceOut } from '../../../core/kinds/lamp/row';
import { SCENIC_AMPS, hookUp } from '../../../core/study/hook-up';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { LampFields } from '../../panels/scenery/lamp-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { LampRecord } from '../../../core/kinds/lamp/record';
import type { PanelProps } from '../face';

/** How many lamps, which, and where along the row. */
export function LampsPanel(props: PanelProps<LampRecord>) {
  const { layout, jobId, job, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  const lamps = inOrder(job.lamps);
  const setCount = (count: number): void =>
    edit('Number of lamps', (draft) => {
      const own = lampsIn(draft, jobId);
      const like = lamps[lamps.length - 1];
      for (const { id } of lamps.slice(count)) Reflect.deleteProperty(own.lamps, id);
      for (let n = lamps.length; n < count; n++) {
        own.lamps[freeId(own.lamps, `lamp-${n + 1}`)] = {
          ...plainLamp,
          part: like?.part ?? 'white-warm',
          tint: like?.tint ?? 'none',
          order: n + 1,
          circuitId: Object.keys(own.circuits)[0] ?? null,
          alongMillimetres: 0,
        };
      }
      spaceOut(own);
      // A lamp more on a hub wants a socket more.
      if (own.hookUp === 'hub') {
        const lit = (id: string): number =>
          solved.readings?.dies.find((d) => d.circuitId === id)?.litAmps ?? SCENIC_AMPS;
        hookUp(layout, own, 'hub', lit, 'apart');
      }
    });
  return (
    <LampFields
      of={props}
      title="Lamps of the row"
      before={<CountField label="How many" count={lamps.length} least={1} most={60} onCommit={setCount} />}
      about={(lampId) => (
        <NumberField
          label="From the left end"
          unit="millimetre"
          figure={job.lamps[lampId].alongMillimetres}
          limits={{ least: 0, most: 20_000, range: '0 mm to 20 m' }}
          aside={`of ${Math.round(rowMillimetres(job))} mm`}
          onCommit={(mm) =>
            edit(
              'Place of a lamp',
              (draft) => void (lampsIn(draft, jobId).lamps[lampId].alongMillimetres = mm),
            )
          }
        />
      )}
    />
  );
}
