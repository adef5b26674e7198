import { FigureTable } from '../../../fields/figure-table';
import { Button } from 'antd';
import { useState } from 'react';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { useStudy } from '../../../workers/use-study';
import { formatQuantity } from '../../../../core/quantity/format';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { inOrder } from '../../../../core/document/in-order';
import type { LocomotiveProps } from '../locomotive-props';

interface EqualLightProps extends LocomotiveProps {
  readonly circuitId: string;
}

/** Resistors that put each role at its light beside a lamp that looks right; worked out when asked for. */
export function EqualLight(props: EqualLightProps) {
  return (
    <More label="Equal to the eye: which looks right?">
      <Proposals {...props} />
    </More>
  );
}

function Proposals({ layout, jobId, job, hand, circuitId }: EqualLightProps) {
  const [reference, setReference] = useState<string | null>(null);
  const apply = useLayoutStore((s) => s.apply);
  const lamps = inOrder(job.lamps).filter((l) => l.circuitId !== null);
  const first = lamps.find((l) => l.role === 'headlight') ?? lamps[0];
  const at = reference !== null && Object.hasOwn(job.lamps, reference) ? reference : first?.id;
  const task = useStudy(
    'locomotive/equalLight',
    layout,
    at === undefined ? null : { jobId, supplyId: hand.supplyId ?? undefined, referenceId: at },
  );
  const study = task.answer;
  if (at === undefined) return <p className="hint">A lamp in a circuit is needed for this.</p>;
  if (!study) return <p className="stale-note">{task.failure ?? 'Being worked out…'}</p>;
  const here = study.proposals.filter((p) => job.lamps[p.lampId].circuitId === circuitId);
  return (
    <>
      <SelectField
        label="This one looks right as it is"
        value={at}
        options={lamps.map((l) => ({ value: l.id, label: lampName(job, l.id) }))}
        onChange={setReference}
      />
      {study.proposals.length === 0 ? (
        <p className="hint">
          Roles can be set apart where each lamp has a resistor of its own: wire it so first.
        </p>
      ) : (
        <>
          <FigureTable
            label="Equal to the eye"
            rows={here.length > 0 ? here : study.proposals}
            rowKey={(p) => p.lampId}
            columns={[
              ['Lamp', (p) => lampName(job, p.lampId)],
              ['Resistor', (p) => formatQuantity(p.preferredOhms, 'ohm')],
              [
                'Light now → then',
                (p) => (
                  <>
                    {p.now.toFixed(0)} → {p.then.toFixed(0)} <small>wanted {p.wanted.toFixed(0)}</small>
                  </>
                ),
              ],
            ]}
          />
          <p className="hint">
            Light to the eye, 100 for a full headlight. White and red at one current are not equally bright;
            lens, tint and aim count too.
          </p>
          <div className="button-row">
            <Button
              type="primary"
              disabled={task.stale}
              onClick={() => apply('Equal to the eye', study.patches)}
            >
              Fit these resistors everywhere
            </Button>
          </div>
        </>
      )}
    </>
  );
}
