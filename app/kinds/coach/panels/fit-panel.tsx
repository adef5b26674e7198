import { CheckField } from '../../../fields/check-field';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SelectField } from '../../../fields/select-field';
import { TextField } from '../../../fields/text-field';
import { useLayoutStore } from '../../../store/layout-store';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { FitRecord } from '../../../../core/kinds/coach/fit-record';
import { setHinge } from '../../../../core/kinds/coach/hinge';
import { usualBoard, usualTabs, usualTallest } from '../../../../core/kinds/coach/usual-fit';
import { parseQuantity } from '../../../../core/quantity/parse';
import { formatQuantity } from '../../../../core/quantity/format';
import type { Draft } from 'immer';
import { FitThings } from './fit-things';
import type { CoachProps } from '../coach-props';

const big = { least: 0.5, most: 1500, range: '0.5 mm to 1500 mm' };

/** What goes into the body, how it opens, and what must stay reachable. */
export function FitPanel({ layout, jobId }: CoachProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const { fit, dimensions } = job;
  const change = (label: string, recipe: (fit: Draft<FitRecord>) => void): void =>
    edit(label, (draft) => recipe(coachIn(draft, jobId).fit));
  const { board, tabs } = fit;
  return (
    <div className="choices">
      <h2>What goes in</h2>
      <CheckField
        label="A board or strip under the ceiling"
        checked={board !== null}
        onChange={(on) =>
          change('Board', (f) => {
            f.board = on ? usualBoard(dimensions.lengthMillimetres) : null;
          })
        }
      />
      {board && (
        <>
          <div className="two-fields">
            <NumberField
              label="Board, wide"
              unit="millimetre"
              figure={board.widthMillimetres}
              limits={{ least: 0.5, most: 200, range: '0.5 mm to 200 mm' }}
              onCommit={(mm) => change('Board', (f) => void (f.board!.widthMillimetres = mm))}
            />
            <NumberField
              label="thick"
              unit="millimetre"
              figure={board.thicknessMillimetres}
              limits={{ least: 0.1, most: 30, range: '0.1 mm to 30 mm' }}
              onCommit={(mm) => change('Board', (f) => void (f.board!.thicknessMillimetres = mm))}
            />
            <NumberField
              label="from the left end"
              unit="millimetre"
              figure={board.startMillimetres}
              limits={{ least: 0, most: 1500, range: '0 mm to 1500 mm' }}
              onCommit={(mm) => change('Board', (f) => void (f.board!.startMillimetres = mm))}
            />
            <NumberField
              label="long"
              unit="millimetre"
              figure={board.lengthMillimetres}
              limits={{ least: 1, most: 1500, range: '1 mm to 1500 mm' }}
              onCommit={(mm) => change('Board', (f) => void (f.board!.lengthMillimetres = mm))}
            />
          </div>
          <div className="two-fields">
            <NumberField
              label="Its tallest part, high"
              unit="millimetre"
              figure={board.tallest?.heightMillimetres ?? 0}
              limits={{ least: 0, most: 50, range: '0 mm to 50 mm' }}
              onCommit={(mm) =>
                change('Tallest part', (f) => {
                  f.board!.tallest =
                    mm > 0 ? { ...usualTallest(board, mm), ...board.tallest, heightMillimetres: mm } : null;
                })
              }
            />
            {board.tallest && (
              <NumberField
                label="standing at"
                unit="millimetre"
                figure={board.tallest.placeMillimetres}
                limits={{ least: 0, most: 1500, range: '0 mm to 1500 mm' }}
                onCommit={(mm) =>
                  change('Tallest part', (f) => void (f.board!.tallest!.placeMillimetres = mm))
                }
              />
            )}
          </div>
        </>
      )}
      <CheckField
        label="Roof tabs or clips inside the walls"
        checked={tabs !== null}
        onChange={(on) =>
          change('Roof tabs', (f) => {
            f.tabs = on ? usualTabs(dimensions.lengthMillimetres) : null;
          })
        }
      />
      {tabs && (
        <>
          <div className="two-fields">
            <NumberField
              label="Between tabs"
              unit="millimetre"
              figure={tabs.apartMillimetres}
              limits={{ least: 0.5, most: 200, range: '0.5 mm to 200 mm' }}
              onCommit={(mm) => change('Roof tabs', (f) => void (f.tabs!.apartMillimetres = mm))}
            />
            <NumberField
              label="each long"
              unit="millimetre"
              figure={tabs.lengthMillimetres}
              limits={{ least: 0.2, most: 200, range: '0.2 mm to 200 mm' }}
              onCommit={(mm) => change('Roof tabs', (f) => void (f.tabs!.lengthMillimetres = mm))}
            />
          </div>
          <TabPlaces
            key={tabs.placesMillimetres.join()}
            places={tabs.placesMillimetres}
            onCommit={(places) =>
              change('Places of the tabs', (f) => void (f.tabs!.placesMillimetres = places))
            }
          />
        </>
      )}
      <FitThings jobId={jobId} layout={layout} />
      <Opening
        fit={fit}
        onChange={change}
        onHinge={(hinge) => edit('Hinge', (draft) => setHinge(coachIn(draft, jobId), hinge))}
      />
      <More label="The eye beside the track; light through the shell" open={fit.shell !== 'opaque'}>
        <div className="two-fields">
          <NumberField
            label="Eye above the rail"
            unit="millimetre"
            figure={fit.eye.aboveRailMillimetres}
            limits={{ least: -500, most: 3000, range: '−500 mm to 3000 mm' }}
            onCommit={(mm) => change('Eye', (f) => void (f.eye.aboveRailMillimetres = mm))}
          />
          <NumberField
            label="away"
            unit="millimetre"
            figure={fit.eye.awayMillimetres}
            limits={{ least: 10, most: 5000, range: '10 mm to 5000 mm' }}
            onCommit={(mm) => change('Eye', (f) => void (f.eye.awayMillimetres = mm))}
          />
        </div>
        <SelectField<FitRecord['shell']>
          label="The shell"
          value={fit.shell}
          options={[
            { value: 'opaque', label: 'lets no light through' },
            { value: 'thin-plastic', label: 'thin plastic, not painted inside' },
          ]}
          onChange={(shell) => change('Shell', (f) => void (f.shell = shell))}
        />
        {fit.shell !== 'opaque' &&
          (['roof', 'ends'] as const).map((place) => (
            <CheckField
              key={place}
              label={<>{place === 'roof' ? 'Roof' : 'Ends'} blacked out</>}
              checked={fit.blackedOut[place]}
              onChange={(on) => change('Blacked out', (f) => void (f.blackedOut[place] = on))}
            />
          ))}
      </More>
    </div>
  );
}

/** Pairs of tabs that a roof may have; the file takes no more. */
const MOST_TABS = 40;

/** Several places in one field: "38, 116, 194 mm". */
function TabPlaces({
  places,
  onCommit,
}: {
  readonly places: readonly number[];
  readonly onCommit: (places: number[]) => void;
}) {
  return (
    <TextField
      label="Tabs stand at (mm from the left, with ; between)"
      text={places.map((p) => formatQuantity(p, 'millimetre').replace(' mm', '')).join('; ')}
      most={200}
      required
      check={(text) => {
        const places = text.split(';');
        if (places.length > MOST_TABS)
          return `${places.length} places are more than the ${MOST_TABS} there may be.`;
        const bad = places.find((p) => !parseQuantity(p, 'millimetre', big).ok);
        return bad === undefined ? null : `“${bad.trim()}” is no place in millimetres.`;
      }}
      onCommit={(text) =>
        onCommit(
          text.split(';').flatMap((p) => {
            const read = parseQuantity(p, 'millimetre', big);
            return read.ok ? [read.figure] : [];
          }),
        )
      }
    />
  );
}

type FitChange = (label: string, recipe: (fit: Draft<FitRecord>) => void) => void;

interface OpeningProps {
  readonly fit: FitRecord;
  readonly onChange: FitChange;
  /** What hinges gives the leads a gap to go through. */
  readonly onHinge: (hinge: FitRecord['opening']['hinge']) => void;
}

function Opening({ fit, onChange, onHinge }: OpeningProps) {
  const { opening } = fit;
  type Opening = FitRecord['opening'];
  const ends = [
    { value: 'left' as const, label: 'at the left end' },
    { value: 'right' as const, label: 'at the right end' },
  ];
  return (
    <>
      <h2 className="part-head">How it opens</h2>
      <div className="two-fields">
        <SelectField<Opening['how']>
          label="The body is held by"
          value={opening.how}
          options={[
            { value: 'clips', label: 'clips' },
            { value: 'tabs', label: 'tabs' },
            { value: 'screws', label: 'screws' },
            { value: 'glued', label: 'glue' },
          ]}
          onChange={(how) => onChange('Opening', (f) => void (f.opening.how = how))}
        />
        <SelectField<Opening['hinge']>
          label="The roof hinges"
          value={opening.hinge}
          options={[{ value: 'none', label: 'lifts off whole' }, ...ends]}
          onChange={onHinge}
        />
        <SelectField<Opening['leadsEnd']>
          label="Leads go down"
          value={opening.leadsEnd}
          options={[{ value: 'none', label: 'not settled' }, ...ends]}
          onChange={(leadsEnd) => onChange('Leads', (f) => void (f.opening.leadsEnd = leadsEnd))}
        />
        <CheckField
          label="Arrows must match"
          checked={opening.arrow}
          onChange={(on) => onChange('Arrow', (f) => void (f.opening.arrow = on))}
        />
      </div>
    </>
  );
}
