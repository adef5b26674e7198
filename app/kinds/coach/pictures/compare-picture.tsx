import { FigureTable } from '../../../fields/figure-table';
import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import { useLayoutStore } from '../../../store/layout-store';
import { hand as slowHand } from '../../../workers/desk';
import { textOf, useStudy } from '../../../workers/use-study';
import { freeId } from '../../../../core/document/usual-supply';
import { formatQuantity } from '../../../../core/quantity/format';
import { oldBulbs, oldBulbsOfRake } from '../../../../core/kinds/coach/old-bulbs';
import { schools } from '../../../../core/kinds/coach/schools';
import { NumberField } from '../../../fields/number-field';
import { More } from '../../../fields/more';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachPictureProps } from '../coach-props';
import type { ComparedWay, FailedWay } from '../../../../core/study/compare';
import type { Patch } from '../../../../core/document/patch';
import './compare.css';

const isFailed = (way: ComparedWay | FailedWay): way is FailedWay => 'failure' in way;

/** The same coach by several schools, side by side; the old bulbs among them. */
export function ComparePicture({ layout, jobId }: CoachPictureProps) {
  const edit = useLayoutStore((s) => s.edit);
  const apply = useLayoutStore((s) => s.apply);
  const compared = useStudy('compare', layout, { jobId }, 'slow');
  const [busy, setBusy] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const job = coachIn(layout, jobId);
  const ways = compared.answer ?? [];
  const rows = [...ways.map((way) => rowOf(way, layout.currency)), ...bulbRows(layout, jobId)];
  const add = async (schoolId: string, name: string): Promise<void> => {
    setBusy(schoolId);
    setRefusal(null);
    try {
      const { patches, refused } = await slowHand.search('coach/school', layout, { jobId, schoolId }).answer;
      if (refused !== null || !patches) setRefusal(`${name}: ${refused ?? 'it cannot be laid out'}`);
      else {
        edit(`Variant: ${name}`, (draft) => {
          const { variants } = coachIn(draft, jobId);
          const order = 1 + Math.max(0, ...Object.values(variants).map((v) => v.order));
          variants[freeId(variants, schoolId)] = { order, name, patches: patches.map((p) => ({ ...p })) };
        });
      }
    } catch (error) {
      setRefusal(textOf(error));
    } finally {
      setBusy(null);
    }
  };
  const take = (variantId: string): void => {
    const variant = job.variants[variantId];
    setRefusal(apply(`By ${variant.name}`, variant.patches as Patch[]));
  };
  return (
    <div className="compare">
      <FigureTable<Row>
        label="Ways side by side"
        rows={rows}
        rowKey={(row) => row.id}
        stale={compared.stale}
        mark={(row) => (row.way === null ? 'bulbs' : '')}
        columns={[
          ['Way', (row) => row.name],
          ['Light', (row) => row.light],
          ['Drawn', (row) => row.drawn],
          ['Cost', (row) => row.cost],
          ['Joints', (row) => row.joints],
          ['Holds half', (row) => row.holds],
          [
            '',
            ({ way }) =>
              way !== null &&
              way.variantId !== null && (
                <span className="acts">
                  <Button size="small" disabled={isFailed(way)} onClick={() => take(way.variantId!)}>
                    Build it so
                  </Button>{' '}
                  <Button
                    size="small"
                    aria-label={`Remove ${way.name}`}
                    onClick={() =>
                      edit(`Remove ${way.name}`, (draft) => {
                        Reflect.deleteProperty(coachIn(draft, jobId).variants, way.variantId!);
                      })
                    }
                  >
                    ×
                  </Button>
                </span>
              ),
          ],
        ]}
      />
      {compared.failure && <p className="field-refusal">{compared.failure}</p>}
      {ways.length === 0 && !compared.failure && <p className="stale-note">Being worked out…</p>}
      <h3>Set another way beside it</h3>
      <ul className="school-list">
        {schools.map((s) => (
          <li key={s.id}>
            <Button disabled={busy !== null} loading={busy === s.id} onClick={() => void add(s.id, s.name)}>
              {s.name}
            </Button>
            <small>{s.says}</small>
          </li>
        ))}
      </ul>
      {refusal && (
        <p className="field-refusal" role="alert">
          {refusal}
        </p>
      )}
      <More label="The old bulbs" open={job.oldBulbs !== null}>
        <OldBulbs layout={layout} jobId={jobId} />
      </More>
    </div>
  );
}

/** One way as it is shown. */
interface Row {
  readonly id: string;
  readonly name: string;
  /** Null for the old bulbs. */
  readonly way: ComparedWay | FailedWay | null;
  readonly light: ReactNode;
  readonly drawn: ReactNode;
  readonly cost: ReactNode;
  readonly joints: ReactNode;
  readonly holds: ReactNode;
}

function rowOf(way: ComparedWay | FailedWay, currency: string): Row {
  const own = { id: way.variantId ?? 'as-it-stands', name: way.name, way };
  if (isFailed(way)) {
    const light = <span className="field-refusal">{way.failure}</span>;
    return { ...own, light, drawn: '–', cost: '–', joints: '–', holds: '–' };
  }
  return {
    ...own,
    light: (
      <>
        {formatQuantity(way.lux ?? 0, 'lux')} <small>{way.word.toLowerCase()}</small>
      </>
    ),
    drawn: (
      <>
        {formatQuantity(way.supplyAmps, 'amp')} <small>{formatQuantity(way.supplyRmsAmps, 'amp')} RMS</small>
      </>
    ),
    cost: (
      <>
        {way.cost.toFixed(2)} <small>{currency}</small>
      </>
    ),
    joints: way.joints,
    holds:
      way.holdSeconds === null
        ? 'over 120 s'
        : way.holdSeconds === 0
          ? 'no time'
          : formatQuantity(way.holdSeconds, 'second', { significant: 2 }),
  };
}

/** What the old bulbs drew; nothing where they were never read. */
function bulbRows(layout: CoachPictureProps['layout'], jobId: string): Row[] {
  const bulbs = oldBulbs(layout, jobId);
  if (!bulbs) return [];
  const { amps, volts } = bulbs;
  const rake = oldBulbsOfRake(layout);
  const drawn = (
    <>
      {formatQuantity(amps, 'amp')} <small>true RMS at {formatQuantity(volts, 'volt')}</small>
      {rake > amps && <small>, the rake {formatQuantity(rake, 'amp')}</small>}
    </>
  );
  const name = 'The old bulbs';
  return [{ id: name, name, way: null, light: '–', drawn, cost: '–', joints: '–', holds: 'no time' }];
}

function OldBulbs({ layout, jobId }: Pick<CoachPictureProps, 'layout' | 'jobId'>) {
  const edit = useLayoutStore((s) => s.edit);
  const kept = coachIn(layout, jobId).oldBulbs;
  const held = kept ?? { volts: 14, amps: 0.2 };
  const put = (figure: Partial<typeof held>): void =>
    edit('Old bulbs', (draft) => void (coachIn(draft, jobId).oldBulbs = { ...held, ...figure }));
  return (
    <>
      <p className="hint">
        What they drew, all together, as a meter showed it: true RMS on AC, plain milliamps on DC.
      </p>
      <div className="two-fields">
        <NumberField
          label="Read at"
          unit="volt"
          figure={held.volts}
          limits={{ least: 0.5, most: 60, range: '0.5 V to 60 V' }}
          onCommit={(volts) => put({ volts })}
        />
        <NumberField
          label="They drew"
          unit="amp"
          figure={held.amps}
          limits={{ least: 1e-3, most: 10, range: '1 mA to 10 A' }}
          onCommit={(amps) => put({ amps })}
        />
      </div>
      {kept ? (
        <Button onClick={() => edit('Old bulbs', (draft) => void (coachIn(draft, jobId).oldBulbs = null))}>
          Leave them out
        </Button>
      ) : (
        <Button onClick={() => put({})}>Keep them in the comparison</Button>
      )}
    </>
  );
}
