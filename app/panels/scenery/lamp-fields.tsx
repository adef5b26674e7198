import { useState, type ReactNode } from 'react';
import { anyJobIn } from '../../../core/document/jobs';
import { inOrder } from '../../../core/document/in-order';
import { lampTypes } from '../../../core/document/lamp-type';
import { bulbs } from '../../../core/part/bulb';
import { looks, matchLook } from '../../../core/light/looks';
import { tintedLight } from '../../../core/light/tinted';
import { tints } from '../../../core/part/tint';
import { formatQuantity } from '../../../core/quantity/format';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { CheckField } from '../../fields/check-field';
import { More } from '../../fields/more';
import { SelectField } from '../../fields/select-field';
import { BuiltInFields } from '../built-in-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { LampCore } from '../../../core/document/lamp-record';
import type { PanelProps } from '../../kinds/face';

interface LampFieldsProps {
  readonly of: PanelProps;
  readonly title: string;
  /** How many, and where: what its kind asks, before and after the list. */
  readonly before?: ReactNode;
  readonly about?: (lampId: string) => ReactNode;
}

const ALL = 'all';
const AS_CHOSEN = 'as-chosen';
const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Which lamps: all alike, or one by one; what its kind asks of where they sit stands around it. */
export function LampFields({ of, title, before, about }: LampFieldsProps) {
  const { layout, jobId, job, solved } = of;
  const edit = useLayoutStore((s) => s.edit);
  const [chosen, setChosen] = useState<string>(ALL);
  const lamps = inOrder<LampCore>(job.lamps);
  const names = lampNamesOf(layout, jobId);
  const one = lamps.find((l) => l.id === chosen);
  const meant = one ? [one] : lamps;
  const set = (label: string, recipe: (lamp: Draft<LampCore>) => void): void =>
    edit(label, (draft) => {
      const own = anyJobIn(draft, jobId).lamps as Record<string, Draft<LampCore>>;
      for (const { id } of meant) recipe(own[id]);
    });
  const [first] = meant;
  const singles = lampTypes(layout).filter((t) => t.form === 'led');
  const type = lampTypes(layout).find((t) => t.id === first?.part);
  return (
    <div className="choices">
      <h2>{title}</h2>
      {before}
      {lamps.length > 1 && (
        <SelectField
          label="Which of them"
          value={one ? chosen : ALL}
          options={[
            { value: ALL, label: `all ${lamps.length}` },
            ...lamps.map((l) => ({
              value: l.id,
              label: `${names.get(l.id) ?? l.id} · ${formatQuantity(solved.readings?.dies.find((d) => d.lampId === l.id)?.litAmps ?? 0, 'amp', { significant: 2 })}`,
            })),
          ]}
          onChange={setChosen}
        />
      )}
      {first && (
        <>
          <SelectField
            label="Lamp type"
            value={first.part}
            options={[
              ...lampTypes(layout).map((l) => ({ value: l.id, label: l.name })),
              ...Object.values(bulbs).map((b) => ({ value: b.id, label: b.name })),
            ]}
            onChange={(part) => set('Lamp type', (l) => void (l.part = part))}
          />
          <SelectField
            label="Looks like"
            value={AS_CHOSEN}
            options={[
              { value: AS_CHOSEN, label: 'as chosen below' },
              ...looks.map((l) => {
                const match = matchLook(l, singles);
                return {
                  value: l.id,
                  label: `${l.name}: ${match.seen ? 'near' : 'alike'}, ${percent(match.share)} of the light left`,
                };
              }),
            ]}
            onChange={(id) => {
              const wanted = looks.find((l) => l.id === id);
              if (!wanted) return;
              const { part, tint } = matchLook(wanted, singles);
              set(`Looks like: ${wanted.name}`, (l) => Object.assign(l, { part, tint }));
            }}
          />
          <SelectField
            label="Paint, film or lens"
            value={first.tint}
            options={Object.values(tints).map((t) => ({
              value: t.id,
              label:
                type === undefined || t.id === 'none'
                  ? t.name
                  : `${t.name}: ${percent(tintedLight(type.colour, t).share)} of the light left`,
            }))}
            onChange={(tint) => set('Tint', (l) => void (l.tint = tint))}
          />
          {about?.(first.id)}
          <CheckField
            label={one ? 'Soldered the wrong way round' : 'All soldered the wrong way round'}
            checked={meant.every((l) => l.reversed)}
            onChange={(on) => set('Lamp turned', (l) => void (l.reversed = on))}
          />
          {type && (
            <More label="Ready-wired" open={first.builtIn.kind !== 'nothing'}>
              <BuiltInFields
                jobId={jobId}
                lampIds={meant.map((l) => l.id)}
                builtIn={first.builtIn}
                led={type}
              />
            </More>
          )}
        </>
      )}
    </div>
  );
}
