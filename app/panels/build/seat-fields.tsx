import { Button } from 'antd';
import { anyJobIn } from '../../../core/document/jobs';
import { asWired } from '../../../core/study/wired';
import { seatedAt, seatOf } from '../../../core/study/wired/spots';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import type { PanelProps } from '../../kinds/face';

const RANGE = { least: -2000, most: 2000, range: '-2000 to 2000 mm' };
const HEIGHTS = { least: -500, most: 2000, range: '-500 to 2000 mm' };

/** Where parts sit that are not at a lamp: lengths of wire follow from it. Where nothing was said it is assumed, and told so. */
export function SeatFields({ jobId, job, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const seats = new Map(
    asWired(solved.bench)
      .assembly.parts.filter((p) => p.lamp === null && p.place === null && p.kind !== 'junction')
      .map((p) => [seatOf(p), p] as const),
  );
  return (
    <div className="seats">
      <p className="hint">
        Wires are as long as these places are apart. In millimetres: from the left end, and above the rail or
        the ground. What is assumed lies where the rest of the wiring does.
      </p>
      {[...seats].map(([seat, part]) => {
        const { spot, known } = seatedAt(job, part);
        const name = seat === 'feed' ? 'What feeds the driver' : part.label;
        const put = (of: { along?: number; height?: number }): void =>
          edit(`Place of ${name}`, (draft) => {
            const own = anyJobIn(draft, jobId);
            own.seats ??= {};
            own.seats[seat] = {
              ...own.seats[seat],
              alongMillimetres: of.along ?? spot.along,
              acrossMillimetres: spot.across,
              heightMillimetres: of.height ?? spot.height,
            };
          });
        return (
          <fieldset key={seat} className="passage">
            <legend>
              {name}
              {known ? '' : ', assumed'}
            </legend>
            <div className="two-fields">
              <NumberField
                label="From the left end"
                unit="millimetre"
                figure={spot.along}
                limits={RANGE}
                onCommit={(along) => put({ along })}
              />
              <NumberField
                label="Height"
                unit="millimetre"
                figure={spot.height}
                limits={HEIGHTS}
                onCommit={(height) => put({ height })}
              />
            </div>
            {job.seats?.[seat] && (
              <Button
                size="small"
                onClick={() =>
                  edit(`Place of ${name}`, (draft) => {
                    Reflect.deleteProperty(anyJobIn(draft, jobId).seats!, seat);
                  })
                }
              >
                Assume it again
              </Button>
            )}
          </fieldset>
        );
      })}
    </div>
  );
}
