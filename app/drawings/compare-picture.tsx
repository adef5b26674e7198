import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import { freeId } from '../../core/document/usual-supply';
import { anyJobIn } from '../../core/document/jobs';
import { formatQuantity } from '../../core/quantity/format';
import { keptAsItStands, otherWays } from '../../core/study/other-ways';
import { FigureTable } from '../fields/figure-table';
import { useLayoutStore } from '../store/layout-store';
import { hand as slowHand } from '../workers/desk';
import { textOf, useStudy } from '../workers/use-study';
import type { AnyJob, Layout } from '../../core/document/layout';
import type { ComparedWay, FailedWay } from '../../core/finding/compare';
import type { Patch } from '../../core/document/patch';
import type { PictureProps } from '../kinds/face';
import './compare.css';

/** A way that may be set beside the others, in a few words. */
export interface WayToTry {
  readonly id: string;
  readonly name: string;
  readonly says: string;
}

/** The change that makes the job so, or what speaks against it. */
interface Offered {
  readonly patches: readonly Patch[] | null;
  readonly refused: string | null;
  /** Supplies it hangs on that the layout has not got yet. */
  readonly supplies?: Layout['supplies'];
}

/** One way as it is shown. */
export interface WayRow {
  readonly id: string;
  readonly name: string;
  /** Its name, with what has to be said of it. */
  readonly said?: ReactNode;
  /** Null for what the job never was or no longer is. */
  readonly way: ComparedWay | FailedWay | null;
  readonly light: ReactNode;
  readonly drawn: ReactNode;
  readonly cost: ReactNode;
  readonly joints: ReactNode;
  readonly holds: ReactNode;
}

type ComparedProps = Pick<PictureProps, 'layout' | 'jobId'> & {
  readonly ways: readonly WayToTry[];
  readonly offer: (way: WayToTry) => Promise<Offered>;
  /** Rows of what stands beside them and is no way to build. */
  readonly besides?: readonly WayRow[];
  readonly children?: ReactNode;
};

const isFailed = (way: ComparedWay | FailedWay): way is FailedWay => 'failure' in way;

/** A job of any kind as it stands beside its variants, and beside the ways that have a name. */
export function ComparePicture({ layout, jobId, job }: PictureProps) {
  return (
    <Compared
      layout={layout}
      jobId={jobId}
      ways={otherWays(job)}
      offer={({ id }) => slowHand.search('wiredBy', layout, { jobId, way: id }).answer}
    />
  );
}

/** Variants of a job side by side in figures; each can be built, taken away or set beside. */
export function Compared({ layout, jobId, ways, offer, besides = [], children }: ComparedProps) {
  const edit = useLayoutStore((s) => s.edit);
  const apply = useLayoutStore((s) => s.apply);
  const compared = useStudy('compare', layout, { jobId }, 'slow');
  const [busy, setBusy] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const job = anyJobIn(layout, jobId);
  const setting = sharedSetting(compared.answer ?? []);
  const rows = [
    ...(compared.answer ?? []).map((way) => rowOf(way, layout.currency, setting === null)),
    ...besides,
  ];
  const put = (
    id: string,
    name: string,
    patches: readonly Patch[],
    supplies: Layout['supplies'] = {},
  ): void =>
    edit(`Variant: ${name}`, (draft) => {
      Object.assign(draft.supplies, supplies);
      const { variants } = anyJobIn<AnyJob>(draft as never, jobId);
      const order = 1 + Math.max(0, ...Object.values(variants).map((v) => v.order));
      variants[freeId(variants, id)] = { order, name, patches: patches.map((p) => ({ ...p })) };
    });
  const add = async (way: WayToTry): Promise<void> => {
    setBusy(way.id);
    setRefusal(null);
    try {
      const { patches, refused, supplies } = await offer(way);
      if (refused !== null || !patches) setRefusal(`${way.name}: ${refused ?? 'it cannot be laid out'}`);
      else put(way.id, way.name, patches, supplies);
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
  const keep = (): void => {
    const kept = Object.values(job.variants).filter((v) => v.name.startsWith('Kept')).length;
    put('kept', kept === 0 ? 'Kept' : `Kept ${kept + 1}`, keptAsItStands(layout, jobId));
  };
  return (
    <div className="compare">
      {setting !== null && <p className="hint">Light and current: {setting}.</p>}
      <FigureTable<WayRow>
        label="Ways side by side"
        rows={rows}
        rowKey={(row) => row.id}
        stale={compared.stale}
        mark={(row) => (row.way === null ? 'besides' : '')}
        columns={[
          ['Way', (row) => row.said ?? row.name],
          ['Light', (row) => row.light, (row) => figureOf(row, (w) => w.lumens)],
          ['Drawn', (row) => row.drawn, (row) => figureOf(row, (w) => w.supplyAmps)],
          ['Cost', (row) => row.cost, (row) => figureOf(row, (w) => w.cost)],
          ['Joints', (row) => row.joints, (row) => figureOf(row, (w) => w.joints)],
          [
            'Half light after',
            (row) => row.holds,
            (row) => figureOf(row, (w) => (w.lastsHours ?? 0) * 3600 || (w.holdSeconds ?? Infinity)),
          ],
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
                        Reflect.deleteProperty(anyJobIn(draft, jobId).variants, way.variantId!);
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
      {!compared.answer && !compared.failure && <p className="stale-note">Being worked out…</p>}
      <Button onClick={keep}>Keep it as it stands, to go back to</Button>
      {ways.length > 0 && (
        <>
          <h3>Set another way beside it</h3>
          <ul className="way-list">
            {ways.map((w) => (
              <li key={w.id}>
                <Button disabled={busy !== null} loading={busy === w.id} onClick={() => void add(w)}>
                  {w.name}
                </Button>
                <small>{w.says}</small>
              </li>
            ))}
          </ul>
        </>
      )}
      {refusal && (
        <p className="field-refusal" role="alert">
          {refusal}
        </p>
      )}
      {children}
    </div>
  );
}

/** What a row is sorted by; one without figures comes last. */
const figureOf = ({ way }: WayRow, figure: (way: ComparedWay) => number): number =>
  way === null || isFailed(way) ? Infinity : figure(way);

function rowOf(way: ComparedWay | FailedWay, currency: string, tellsSetting: boolean): WayRow {
  const own = { id: way.variantId ?? 'as-it-stands', name: way.name, way };
  if (isFailed(way)) {
    const light = <span className="field-refusal">{way.failure}</span>;
    return { ...own, light, drawn: '–', cost: '–', joints: '–', holds: '–' };
  }
  return {
    ...own,
    said: (
      <>
        {way.name}
        {tellsSetting && <small>{way.setting}</small>}
        <small>{findingWords(way)}</small>
        {way.wrong.slice(0, MOST_WRONG).map(({ says, lamps }) => (
          <small className="lacks" key={says}>
            {says}: {lampWords(lamps, way.lamps)}
          </small>
        ))}
        {way.wrong.length > MOST_WRONG && (
          <small className="lacks">
            and {way.wrong.length - MOST_WRONG} more of {way.states} states
          </small>
        )}
      </>
    ),
    light: (
      <>
        {way.lux === null ? formatQuantity(way.lumens, 'lumen') : formatQuantity(way.lux, 'lux')}{' '}
        <small>{way.word}</small>
        {way.showsFrom && <small>{showsWords(way.showsFrom)}</small>}
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
    holds: (
      <>
        {holdsWords(way)} <small>{way.lastsHours === null ? 'power cut' : 'on its cells'}</small>
      </>
    ),
  };
}

/** So many wrong states are told one by one, and so many lamps of each. */
const MOST_WRONG = 2;
const MOST_NAMED = 2;

/** Which lamps show wrongly, in words. */
function lampWords(lamps: readonly string[], of: number): string {
  if (lamps.length === of && of > 1) return `all ${of} lamps show wrongly`;
  const more = lamps.length - MOST_NAMED;
  const named = lamps.slice(0, MOST_NAMED).join(', ');
  return `${named}${more > 0 ? ` and ${more} more` : ''} ${lamps.length === 1 ? 'shows' : 'show'} wrongly`;
}

function findingWords({ findings: { stop, mind, note } }: ComparedWay): string {
  const of = [
    stop > 0 && `${stop} to stop for`,
    mind > 0 && `${mind} to mind`,
    note > 0 && `${note} ${note === 1 ? 'note' : 'notes'}`,
  ].filter((w) => w !== false);
  return of.length > 0 ? of.join(', ') : 'nothing needs attention';
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** From which throttle on it shows. */
const showsWords = ({ first, all }: { readonly first: number; readonly all: number }): string =>
  percent(first) === percent(all)
    ? `shows from ${percent(all)} throttle`
    : `shows from ${percent(first)}, all from ${percent(all)} throttle`;

function holdsWords({ holdSeconds, lastsHours }: ComparedWay): string {
  if (lastsHours !== null) return `${Number(lastsHours.toPrecision(2))} h`;
  if (holdSeconds === null) return 'over 120 s';
  return holdSeconds === 0 ? 'no time' : formatQuantity(holdSeconds, 'second', { significant: 2 });
}

/** The setting that all rows stand at; null where they differ, and each says its own. */
function sharedSetting(ways: readonly (ComparedWay | FailedWay)[]): string | null {
  const settings = [...new Set(ways.flatMap((w) => (isFailed(w) ? [] : [w.setting])))];
  return settings.length === 1 ? settings[0] : null;
}
