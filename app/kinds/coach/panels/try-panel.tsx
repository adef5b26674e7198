import { putStage, reservoirLineId } from '../../../../core/document/line-stages';
import { Button } from 'antd';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { useLayoutStore } from '../../../store/layout-store';
import { useRunStore } from '../../../store/run-store';
import { formatQuantity } from '../../../../core/quantity/format';
import { fades } from '../../../../core/study/power-cut';
import { bridgedLength, deadLength } from '../../../../core/study/gap';
import { cellLifeByHand, holdByHand, inrushByHand } from '../../../../core/study/by-hand';
import { DIRECTION, directionIn } from '../../../../core/supply/state';
import { lineVolts } from '../../../../core/study/line-readings';
import { supplyKind } from '../../../../core/supply';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { Shortcut } from '../../../../core/study/shortcut';
import { LoopControls } from '../../../panels/loop-controls';
import type { StayingAlight } from '../../../workers/questions';
import { useStudy, type TaskState } from '../../../workers/use-study';
import type { CoachProps } from '../coach-props';

/** Cut the power, run over dirt, empty the cell: how long each degree of light holds. */
export function TryPanel(props: CoachProps) {
  const { layout, jobId, solved, hand: held, live } = props;
  const control = useRunStore((s) => s.control);
  const { power } = held;
  const cut = useStudy('powerCut', layout, { jobId }, 'slow');
  const alight = useStudy('stayingAlight', layout, { jobId }, 'slow');
  const { supply } = solved.bench;
  const figures = solved.readings;
  const roofVolts = figures && lineVolts(solved.bench, figures);
  const hasReservoir = solved.bench.assembly.parts.some((p) => p.kind === 'electrolytic');
  const onTrack = supplyKind(supply).onTrack;
  const hand = figures ? holdByHand(solved.bench, figures) : null;
  return (
    <div className="choices">
      {onTrack && (
        <LoopControls
          jobId={jobId}
          hand={held}
          direction={solved.state[DIRECTION] === undefined ? held.runs : directionIn(solved.state)}
          live={live}
          scale={layout.scale}
        />
      )}
      <h2>Cut the power and see</h2>
      <p className="hint">The stage fades as fast as the coach will. The light falls to</p>
      <dl className="fact-list" aria-busy={cut.stale}>
        {fades.map((f, i) => (
          <FadeRow
            key={f.name}
            name={`${shareName[i]}: ${f.name}`}
            moment={cut.answer?.moments[i]}
            stale={cut.stale}
          />
        ))}
      </dl>
      {cut.stale && !cut.cancelled && (
        <p className="stale-note">
          Being worked out…{' '}
          <Button size="small" onClick={cut.cancel}>
            Stop
          </Button>
        </p>
      )}
      {cut.cancelled && <p className="stale-note">Stopped. The next change starts it again.</p>}
      {cut.failure && <p className="field-refusal">{cut.failure}</p>}
      <Button type="primary" block onClick={() => control(jobId, { power: !power })}>
        {power ? 'Cut the power' : 'Power on again'}
      </Button>
      <ByHand sum={hand} />
      {onTrack ? <DeadRail {...props} alight={alight} /> : <CellLife solved={solved} alight={alight} />}
      <Inrush solved={solved} alight={alight} />
      <More label="With the power on">
        <dl className="fact-list">
          <dt>drawn, mean</dt>
          <dd>{formatQuantity(figures?.supplyAmps.mean ?? 0, 'amp')}</dd>
          <dt>drawn, true RMS</dt>
          <dd>{formatQuantity(figures?.supplyRmsAmps ?? 0, 'amp')}</dd>
          <dt>roof line</dt>
          <dd>{roofVolts ? formatQuantity(roofVolts.mean, 'volt') : '–'}</dd>
          <dt>ripple on it</dt>
          <dd>
            {roofVolts
              ? formatQuantity(roofVolts.greatest - roofVolts.least, 'volt', {
                  significant: 2,
                })
              : '–'}
          </dd>
          <dt>dimmest and brightest lamp</dt>
          <dd>
            {figures && figures.dies.length > 0 ? lampRange(figures.dies.map((l) => l.amps.mean)) : '–'}
          </dd>
        </dl>
      </More>
      {!hasReservoir && onTrack && (
        <p className="hint">
          Without a reservoir the lamps go out with the track. A reservoir in the Circuit stage holds them.
        </p>
      )}
    </div>
  );
}

const chargingNames = {
  none: 'straight',
  'in-line': 'by a resistor',
  'with-diode': 'resistor and diode',
} as const;

const shareName = ['half', 'a tenth', 'a hundredth'] as const;

/** The sum people do, and why the solved answer differs. */
function ByHand({ sum }: { readonly sum: Shortcut | null }) {
  if (!sum) return null;
  return (
    <p className="by-hand">
      <b>By hand:</b> <code>{sum.sum}</code>. {sum.why}
    </p>
  );
}

/** Dead rail as a length at a speed: how long it takes the current away, and what rides over it. */
function DeadRail({
  layout,
  jobId,
  solved,
  alight,
}: CoachProps & { readonly alight: TaskState<StayingAlight> }) {
  const edit = useLayoutStore((s) => s.edit);
  const { ride, pickups } = solved.bench.job;
  const { changesSides } = supplyKind(solved.bench.supply);
  const lineId = reservoirLineId(solved.bench.job, changesSides);
  const answer = alight.answer?.ride;
  const suggestion = answer?.reservoir;
  return (
    <>
      <h3 className="part-head">Over dead rail</h3>
      <div className="two-fields">
        <NumberField
          label="Dead for"
          unit="millimetre"
          figure={ride.deadMillimetres}
          limits={{ least: 0, most: 2000, range: '0 mm to 2000 mm' }}
          onCommit={(mm) =>
            edit('Dead rail', (draft) => void (coachIn(draft, jobId).ride.deadMillimetres = mm))
          }
        />
        <NumberField
          label={`At, of ${layout.scale} scale`}
          unit="kilometre-per-hour"
          figure={ride.kilometresPerHour}
          limits={{ least: 0.5, most: 500, range: '0.5 km/h to 500 km/h' }}
          onCommit={(v) =>
            edit('Scale speed', (draft) => void (coachIn(draft, jobId).ride.kilometresPerHour = v))
          }
        />
      </div>
      <dl className="fact-list" aria-busy={alight.stale} style={alight.stale ? { opacity: 0.5 } : undefined}>
        <dt>its pickups bridge</dt>
        <dd>{formatQuantity(bridgedLength(ride.deadMillimetres, pickups), 'millimetre')}</dd>
        <dt>left without current</dt>
        <dd>{formatQuantity(deadLength(ride.deadMillimetres, pickups), 'millimetre')}</dd>
        <dt>for</dt>
        <dd>{answer ? formatQuantity(answer.gapSeconds, 'second') : '–'}</dd>
        <dt>light left at its end</dt>
        <dd data-figure="ridden">{answer ? `${(100 * answer.lightLeft).toFixed(0)} %` : '–'}</dd>
      </dl>
      {suggestion && (
        <div className="proposal">
          <p>
            <b>{formatQuantity(suggestion.farads, 'farad')}</b>,{' '}
            {formatQuantity(suggestion.ratedVolts, 'volt')} rides it: {suggestion.can.diameter} ×{' '}
            {suggestion.can.height} mm
            {suggestion.inDrawer ? ', in the drawer' : ''}.
          </p>
          <Button
            type="primary"
            disabled={alight.stale || lineId === null}
            onClick={() =>
              edit('Reservoir for the dead rail', (draft) => {
                putStage(coachIn(draft, jobId).lines[lineId!], 'reservoir', {
                  farads: suggestion.farads,
                  ratedVolts: suggestion.ratedVolts,
                });
              })
            }
          >
            Fit it
          </Button>
        </div>
      )}
    </>
  );
}

/** Hours of a cell, and how they compare with capacity over current. */
function CellLife({
  solved,
  alight,
}: {
  readonly solved: CoachProps['solved'];
  readonly alight: TaskState<StayingAlight>;
}) {
  const life = alight.answer?.cellLife;
  if (!life || !solved.readings) return null;
  const hand = cellLifeByHand(solved.bench, solved.readings);
  return (
    <>
      <h3 className="part-head">Until the cell is changed</h3>
      <dl className="fact-list" style={alight.stale ? { opacity: 0.5 } : undefined}>
        {life.moments.map((m, i) => (
          <HourRow key={shareName[i]} name={`light at ${shareName[i]}`} hours={m} />
        ))}
        <HourRow name="dark or empty" hours={life.lastHours} />
      </dl>
      <ByHand sum={hand} />
    </>
  );
}

function HourRow({ name, hours }: { readonly name: string; readonly hours: number | null }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{hours === null ? 'not before it is empty' : `${Number(hours.toPrecision(2))} h`}</dd>
    </>
  );
}

/** What the empty reservoir asks of the supply. */
function Inrush({
  solved,
  alight,
}: {
  readonly solved: CoachProps['solved'];
  readonly alight: TaskState<StayingAlight>;
}) {
  const inrush = alight.answer?.inrush;
  if (!inrush) return null;
  const hand = inrushByHand(solved.bench);
  const nowLumens = alight.answer?.charging.find((way) => way.isNow)?.lumens ?? 0;
  return (
    <More label="Charging the empty reservoir">
      <dl className="fact-list">
        <dt>draws up to</dt>
        <dd>{formatQuantity(inrush.peakAmps, 'amp')}</dd>
        <dt>over the limit of {formatQuantity(inrush.limitAmps, 'amp')} for</dt>
        <dd>{formatQuantity(inrush.overSeconds, 'second')}</dd>
        <dt>borne for</dt>
        <dd>{formatQuantity(inrush.tripSeconds, 'second')}</dd>
      </dl>
      <ByHand sum={hand} />
      <table className="charging">
        <thead>
          <tr>
            <th scope="col">Charged</th>
            <th scope="col">peak</th>
            <th scope="col">holds half</th>
            <th scope="col">light</th>
          </tr>
        </thead>
        <tbody>
          {alight.answer?.charging.map((way) => (
            <tr key={way.id} className={way.isNow ? 'now' : undefined}>
              <th scope="row">{chargingNames[way.id]}</th>
              <td>{formatQuantity(way.peakAmps, 'amp', { significant: 2 })}</td>
              <td>
                {way.holdSeconds === null
                  ? 'over 120 s'
                  : formatQuantity(way.holdSeconds, 'second', { significant: 2 })}
              </td>
              <td>{nowLumens > 0 ? `${((100 * way.lumens) / nowLumens).toFixed(0)} %` : '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </More>
  );
}

function FadeRow({
  name,
  moment,
  stale,
}: {
  readonly name: string;
  readonly moment: number | null | undefined;
  readonly stale: boolean;
}) {
  return (
    <>
      <dt>{name}</dt>
      <dd style={stale ? { opacity: 0.45, fontStyle: 'italic' } : undefined}>
        {moment === undefined
          ? '–'
          : moment === null
            ? 'over 120 s'
            : moment === 0
              ? 'at once'
              : formatQuantity(moment, 'second')}
      </dd>
    </>
  );
}

/** "2.37 mA" when all are alike, else "2.1 mA … 2.4 mA". */
function lampRange(amps: readonly number[]): string {
  const [least, most] = [Math.min(...amps), Math.max(...amps)].map((a) => formatQuantity(a, 'amp'));
  return least === most ? least : `${least} … ${most}`;
}
