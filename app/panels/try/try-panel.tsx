import { formatQuantity } from '../../../core/quantity/format';
import { lineVolts } from '../../../core/study/line-readings';
import { supplyKind } from '../../../core/supply';
import { DIRECTION, directionIn } from '../../../core/supply/state';
import { leds } from '../../../core/part/led';
import { ownTester } from '../../../core/study/unmarked-lamp';
import { More } from '../../fields/more';
import { useStudy } from '../../workers/use-study';
import { LoopControls } from '../loop-controls';
import { TesterFields } from '../tester-fields';
import { UnmarkedLamp } from '../unmarked-lamp';
import { CellLife } from './cell-life';
import { isOnRails } from '../../../core/document/job-record';
import { DeadRail } from './dead-rail';
import { Inrush } from './inrush';
import { PowerCut } from './power-cut';
import { ThrottleTable } from './throttle-table';
import type { PanelProps } from '../../kinds/face';

/** Whatever can be tried of a job: its throttle, a run over dirt, the power cut, its cell, and the tester on its lamps. */
export function TryPanel(props: PanelProps) {
  const { layout, jobId, solved, hand, live } = props;
  const { supply, assembly } = solved.bench;
  const { onTrack } = supplyKind(supply);
  const runs = onTrack && isOnRails(solved.bench.job);
  const alight = useStudy('stayingAlight', layout, { jobId, supplyId: hand.supplyId ?? undefined }, 'slow');
  const lamp = assembly.parts.find((p) => p.kind === 'lamp');
  const holds = assembly.parts.some((p) => p.kind === 'electrolytic');
  return (
    <div className="choices">
      {supply.kind === 'dc-track' && <ThrottleTable {...props} />}
      {runs && (
        <LoopControls
          jobId={jobId}
          hand={hand}
          direction={solved.state[DIRECTION] === undefined ? hand.runs : directionIn(solved.state)}
          live={live}
          scale={layout.scale}
        />
      )}
      <PowerCut {...props} />
      {runs && <DeadRail {...props} alight={alight} />}
      {!onTrack && <CellLife solved={solved} alight={alight} />}
      <Inrush solved={solved} alight={alight} />
      <PowerOn solved={solved} />
      {!holds && onTrack && (
        <p className="hint">
          Without a reservoir the lamps go out with the track. A reservoir in the Circuit stage holds them.
        </p>
      )}
      <h3 className="part-head">Your tester</h3>
      <TesterFields tester={layout.drawer.tester} />
      <UnmarkedLamp
        tester={layout.drawer.tester}
        own={ownTester(solved.bench)}
        lamp={lamp?.kind === 'lamp' ? lamp : { led: leds['white-warm'] }}
      />
    </div>
  );
}

/** What flows while the power is on. */
function PowerOn({ solved }: Pick<PanelProps, 'solved'>) {
  const { bench, readings } = solved;
  const line = readings && lineVolts(bench, readings);
  return (
    <More label="With the power on">
      <dl className="fact-list">
        <dt>drawn, mean</dt>
        <dd>{formatQuantity(readings?.supplyAmps.mean ?? 0, 'amp')}</dd>
        <dt>drawn, true RMS</dt>
        <dd>{formatQuantity(readings?.supplyRmsAmps ?? 0, 'amp')}</dd>
        <dt>volts on the lamps’ line</dt>
        <dd>{line ? formatQuantity(line.mean, 'volt') : '–'}</dd>
        <dt>ripple on it</dt>
        <dd>{line ? formatQuantity(line.greatest - line.least, 'volt', { significant: 2 }) : '–'}</dd>
        <dt>dimmest and brightest lamp</dt>
        <dd>
          {readings && readings.dies.length > 0 ? lampRange(readings.dies.map((l) => l.amps.mean)) : '–'}
        </dd>
      </dl>
    </More>
  );
}

/** "2.37 mA" when all are alike, else "2.1 mA … 2.4 mA". */
function lampRange(amps: readonly number[]): string {
  const [least, most] = [Math.min(...amps), Math.max(...amps)].map((a) => formatQuantity(a, 'amp'));
  return least === most ? least : `${least} … ${most}`;
}
