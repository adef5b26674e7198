import { Button } from 'antd';
import { useRunStore } from '../store/run-store';
import { formatQuantity } from '../../core/quantity/format';
import { fades, type PowerCutStudy } from '../../core/study/power-cut';
import type { TaskState } from '../workers/use-task';
import type { PanelProps } from './panel-props';

/** Cut the power and see: how long each degree of light holds. */
export function TryPanel({ jobId, solved, cut }: PanelProps & { readonly cut: TaskState<PowerCutStudy> }) {
  const on = useRunStore((s) => s.power[jobId] ?? true);
  const setPower = useRunStore((s) => s.setPower);
  const { reservoir } = solved.bench.job.conditioning;
  const figures = solved.steady;
  return (
    <div className="choices">
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
      <Button type="primary" block onClick={() => setPower(jobId, !on)}>
        {on ? 'Cut the power' : 'Power on again'}
      </Button>
      <h3 style={{ margin: '16px 0 8px' }}>With the power on</h3>
      <dl className="fact-list">
        <dt>drawn from the track</dt>
        <dd>{formatQuantity(figures?.supplyAmps.mean ?? 0, 'amp')}</dd>
        <dt>roof line</dt>
        <dd>{figures?.roofVolts ? formatQuantity(figures.roofVolts.mean, 'volt') : '–'}</dd>
        <dt>ripple on it</dt>
        <dd>
          {figures?.roofVolts
            ? formatQuantity(figures.roofVolts.greatest - figures.roofVolts.least, 'volt', { significant: 2 })
            : '–'}
        </dd>
        <dt>dimmest and brightest lamp</dt>
        <dd>
          {figures && figures.lamps.length > 0 ? lampRange(figures.lamps.map((l) => l.amps.mean)) : '–'}
        </dd>
      </dl>
      {!reservoir && (
        <p className="hint">
          Without a reservoir the lamps go out with the track. A reservoir in the Circuit stage holds them.
        </p>
      )}
    </div>
  );
}

const shareName = ['half', 'a tenth', 'a hundredth'] as const;

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
