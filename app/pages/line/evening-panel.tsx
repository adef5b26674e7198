import { Button, Skeleton, Slider } from 'antd';
import { PlusOutlined } from '@ant-design/icons';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { formatQuantity } from '../../../core/quantity/format';
import {
  eveningStudy,
  litOnceMore,
  spansOf,
  type EveningLoad,
  type Spans,
} from '../../../core/study/evening';
import { FigureTable } from '../../fields/figure-table';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';

const STEP_MINUTES = 5;
/** What is dark all evening has a slider too. */
const NEVER = [0, 0] as const;
const lengths = [60, 120, 180, 240, 300, 360, 480];

/** A time of day of so many minutes after midnight. */
export const clockWords = (minutes: number): string => {
  const at = ((Math.round(minutes) % 1440) + 1440) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
};

interface EveningPanelProps {
  readonly layout: Layout;
  /** What hangs on each supply, everything on; null while it is added up. */
  readonly sums: readonly EveningLoad[] | null;
  readonly atMinutes: number;
  readonly onAt: (minutes: number) => void;
}

/** An operating session: what is lit when, and what each supply gives over it. */
export function EveningPanel({ layout, sums, atMinutes, onAt }: EveningPanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { evening } = layout;
  /** A span while a hand moves it: nothing of it changes, or is gone, before it is let go. */
  const [held, setHeld] = useState<{ readonly id: string; readonly spans: Spans } | null>(null);
  const study = sums && eveningStudy(layout, sums);
  const time = (after: number): string => clockWords(evening.beginsMinutes + after);
  return (
    <section className="evening" aria-label="The evening">
      <div className="two-fields">
        <SelectField<number>
          label="It begins at"
          value={evening.beginsMinutes}
          options={Array.from({ length: 48 }, (_, i) => ({ value: 30 * i, label: clockWords(30 * i) }))}
          onChange={(m) => edit('The evening begins', (draft) => void (draft.evening.beginsMinutes = m))}
        />
        <SelectField<number>
          label="It lasts"
          value={evening.lastsMinutes}
          options={[...new Set([...lengths, evening.lastsMinutes])]
            .sort((a, b) => a - b)
            .map((m) => ({ value: m, label: `${m / 60} h` }))}
          onChange={(m) => edit('The evening lasts', (draft) => void (draft.evening.lastsMinutes = m))}
        />
      </div>
      <div className="evening-row">
        <span id="evening-now">On the plan it is</span>
        <Slider
          ariaLabelledByForHandle="evening-now"
          ariaValueTextFormatterForHandle={(v) => time(v ?? 0)}
          min={0}
          max={evening.lastsMinutes}
          step={STEP_MINUTES}
          value={Math.min(atMinutes, evening.lastsMinutes)}
          tooltip={{ open: false }}
          onChange={onAt}
        />
        <output>{time(atMinutes)}</output>
      </div>
      <h3 className="part-head">What is lit when</h3>
      <div className="evening-rows">
        {inOrder(layout.jobs).map(({ id, name }) => {
          const spans = spansOf(evening, id);
          const set = (now: Spans): void =>
            edit(
              `${name} is lit`,
              (draft) =>
                void (draft.evening.lit[id] = now
                  .filter(([from, to]) => from < to)
                  .map(([fromMinutes, toMinutes]) => ({ fromMinutes, toMinutes }))),
              `evening ${id}`,
            );
          const more = litOnceMore(evening, id);
          const shown = held?.id === id ? held.spans : spans;
          return (
            <div className="evening-row" key={id}>
              <span id={`lit-${id}`}>{name}</span>
              <div className="evening-spans">
                {(shown.length > 0 ? shown : [NEVER]).map(([from, to], i) => (
                  <Slider
                    key={i}
                    range
                    ariaLabelledByForHandle={[`lit-${id}`, `lit-${id}`]}
                    ariaValueTextFormatterForHandle={[(v) => time(v), (v) => time(v)]}
                    min={0}
                    max={evening.lastsMinutes}
                    step={STEP_MINUTES}
                    value={[from, to]}
                    tooltip={{ open: false }}
                    onChange={([a, b]) =>
                      setHeld({ id, spans: [...shown.slice(0, i), [a, b], ...shown.slice(i + 1)] })
                    }
                    onChangeComplete={([a, b]) => {
                      setHeld(null);
                      set([...shown.slice(0, i), [a, b], ...shown.slice(i + 1)]);
                    }}
                  />
                ))}
              </div>
              <output>
                {shown.length > 0
                  ? shown.map(([from, to]) => `${time(from)}–${time(to)}`).join(', ')
                  : 'dark'}
              </output>
              <Button
                icon={<PlusOutlined />}
                aria-label={`${name}: lit once more`}
                disabled={more.length === spans.length}
                onClick={() => set(more)}
              />
            </div>
          );
        })}
      </div>
      {study ? (
        <FigureTable
          label="What each supply gives over the evening"
          rows={study}
          rowKey={(r) => r.supplyId}
          columns={[
            ['Supply', (r) => layout.supplies[r.supplyId]?.name ?? ''],
            [
              'Most at once',
              (r) =>
                `${formatQuantity(r.greatestAmps, 'amp')} at ${time(r.greatestAtMinutes)}${
                  r.limitAmps < 1000 ? `, of ${formatQuantity(r.limitAmps, 'amp')}` : ''
                }`,
            ],
            ['Energy', (r) => `${r.wattHours.toPrecision(2)} Wh`],
            [
              'Left in the cell',
              (r) =>
                r.chargeLeft === null
                  ? '–'
                  : r.chargeLeft > 0
                    ? `${Math.round(100 * r.chargeLeft)} %`
                    : `empty after ${formatQuantity(3600 * r.emptyAfterHours!, 'second', { significant: 2 })}`,
            ],
          ]}
        />
      ) : (
        <Skeleton active paragraph={{ rows: 2 }} title={false} />
      )}
    </section>
  );
}
