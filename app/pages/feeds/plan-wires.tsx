import { Button, Progress } from 'antd';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { More } from '../../fields/more';
import { SelectField } from '../../fields/select-field';
import { useSearch } from '../../workers/use-search';
import { VoltsSideBySide } from './volts-side-by-side';
import type { Layout } from '../../../core/document/layout';
import type { Remedy } from '../../../core/finding/finding';

interface PlanWiresProps {
  readonly layout: Layout;
  readonly onPreview: (remedy: Remedy) => void;
  readonly onApply: (remedy: Remedy) => void;
}

const LABEL = 'Wires as planned';

/** The thinnest wires and the fuse for the runs of a supply that keep every lamp even and every short cleared. */
export function PlanWires({ layout, onPreview, onApply }: PlanWiresProps) {
  const [chosen, setChosen] = useState<string | null>(null);
  const there = new Set(
    Object.values(layout.network.nodes).flatMap(({ is }) => (is.kind === 'supply' ? [is.supplyId] : [])),
  );
  const supplies = inOrder(layout.supplies).filter((s) => there.has(s.id));
  const supplyId = supplies.find((s) => s.id === chosen)?.id ?? supplies[0]?.id;
  const search = useSearch('planWires', layout, (l) => l.network);
  if (supplyId === undefined) return null;
  const { answer } = search;
  const money = (sum: number): string => `${sum.toFixed(2)} ${layout.currency}`;
  const remedy: Remedy | null = answer && { label: LABEL, patches: answer.patches };
  return (
    <More label="Plan the wires for me">
      <SelectField<string>
        label="Of"
        value={supplyId}
        options={supplies.map((s) => ({ value: s.id, label: s.name }))}
        onChange={setChosen}
      />
      {search.share === null ? (
        <Button onClick={() => search.start(() => ({ supplyId }))}>Find the thinnest that will do</Button>
      ) : (
        <div className="button-row">
          <Progress percent={Math.round(100 * search.share)} showInfo={false} style={{ width: 140 }} />
          <Button onClick={search.cancel}>Stop</Button>
        </div>
      )}
      {search.failure !== null && <p className="field-refusal">{search.failure}</p>}
      {answer && remedy && (
        <>
          <p>
            {answer.patches.length === 0 ? (
              'It is planned so already.'
            ) : (
              <>
                Wire and fuses for <b className="figure">{money(answer.cost)}</b>, now{' '}
                <b className="figure">{money(answer.costBefore)}</b>
                {answer.dimmest !== null &&
                  `; its dimmest lamp shows ${answer.dimmest.toFixed(0)} of 100`}.{' '}
                {answer.kept
                  ? 'Every wire is guarded, every short cleared.'
                  : 'No wire there is keeps every rule: what is left is told by them.'}
              </>
            )}
          </p>
          {answer.patches.length > 0 && (
            <div className="button-row">
              <Button type="primary" onClick={() => onApply(remedy)}>
                Lay them so
              </Button>
              <Button onClick={() => onPreview(remedy)}>Look first</Button>
            </div>
          )}
        </>
      )}
      <VoltsSideBySide
        key={supplyId}
        layout={layout}
        supplyId={supplyId}
        onPreview={onPreview}
        onApply={onApply}
      />
    </More>
  );
}
