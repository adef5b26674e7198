import { stageOf } from '../../../core/document/line-stages';
import { isDriven } from '../../../core/document/aspect-record';
import { sourceOfLine } from '../../../core/study/sources';
import { supplyKind } from '../../../core/supply';
import { useChosenGroup } from '../../store/run-store';
import { CircuitChoice } from './circuit-choice';
import { LimitChoice } from './limit-choice';
import { LimitFields } from './limit-fields';
import { LineStageFields } from './line-stage-fields';
import { PresetField } from './preset-field';
import { SourceField } from './source-field';
import type { PanelProps } from '../../kinds/face';

/** How a circuit is wired, what limits its lamps, and what its line holds its volts with. */
export function CircuitPanel(props: PanelProps) {
  const { jobId, job, solved } = props;
  const circuit = useChosenGroup(job, jobId);
  if (!circuit) {
    return (
      <div className="choices">
        <h2>How it is wired</h2>
        <p className="hint">No lamp is wired yet.</p>
      </div>
    );
  }
  const line = job.lines[circuit.lineId];
  const { changesSides } = supplyKind(sourceOfLine(solved.bench, circuit.lineId).supply);
  const steady = !changesSides || stageOf(line, 'bridge') || stageOf(line, 'diode');
  return (
    <div className="choices">
      <h2>How it is wired</h2>
      <CircuitChoice job={job} jobId={jobId} />
      {changesSides ? (
        <PresetField job={job} jobId={jobId} circuitId={circuit.id} />
      ) : (
        <LimitChoice jobId={jobId} circuit={circuit} />
      )}
      <LimitFields {...props} circuitId={circuit.id} />
      {/* Only where plus stays plus. */}
      {steady && <LineStageFields {...props} lineId={circuit.lineId} />}
      {!isDriven(job) && <SourceField {...props} circuitId={circuit.id} />}
    </div>
  );
}
