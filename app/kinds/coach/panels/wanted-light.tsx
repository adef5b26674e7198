import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../../../fields/choice';
import { coachLightOf } from '../coach-light';
import { CircuitChoice } from '../../../panels/circuit/circuit-choice';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SliderField } from '../../../fields/slider-field';
import { useLayoutStore } from '../../../store/layout-store';
import { hand as slowHand } from '../../../workers/desk';
import { textOf, useStudy } from '../../../workers/use-study';
import { useChosenGroup } from '../../../store/run-store';
import { shareOfLightness } from '../../../../core/light/lightness';
import { FULL_LUX, nearestWord, wantedWords, windowLightness } from '../../../../core/light/wanted';
import { wattsName } from '../../../../core/part/resistor';
import { formatQuantity } from '../../../../core/quantity/format';
import { heatWords } from '../../../../core/quantity/heat-words';
import { sumByHand } from '../../../../core/study/by-hand';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import { fitLimit } from '../../../../core/kinds/coach/proposal';
import type { Offer, Proposal } from '../../../../core/kinds/coach/proposal';
import type { CoachProps } from '../coach-props';

type WordId = (typeof wantedWords)[number]['id'];

const figureOf = (proposal: Proposal, figure: number): string =>
  formatQuantity(figure, proposal.limit === 'limiter' ? 'amp' : 'ohm');

/** Where an offer comes from, in words. */
function offerName(offer: Offer): string {
  switch (offer.from) {
    case 'drawer':
      return `in the drawer: ${offer.inDrawer}`;
    case 'pair':
      return `${formatQuantity(offer.pair!.first, 'ohm')} ${offer.pair!.joined === 'series' ? '+' : '∥'} ${formatQuantity(offer.pair!.second, 'ohm')}`;
    case 'fixed':
      return 'fixed limiter';
    case 'adjustable':
      return 'adjustable limiter';
    default:
      return offer.from;
  }
}

/** How bright, in words or by feel, and what has to be fitted for it. */
export function WantedLight({ layout, jobId, solved }: CoachProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const group = useChosenGroup(job, jobId);
  const lux = coachLightOf(solved)?.litLux ?? 0;
  const proposal = useStudy('coach/propose', layout, group ? { jobId, circuitId: group.id } : null);
  const offered = proposal.answer;
  const own = (solved.readings?.dies ?? []).filter((l) => job.lamps[l.lampId]?.circuitId === group?.id);
  const meanAmps = own.reduce((sum, l) => sum + l.amps.mean, 0) / Math.max(1, own.length);
  const fitted = (figure: number): boolean =>
    offered !== null &&
    group !== undefined &&
    group.limit === offered.limit &&
    figure === (offered.limit === 'limiter' ? group.limiterAmps : group.ohms);
  const fit = (figure: number): void => {
    if (!offered || !group) return;
    edit(
      offered.limit === 'limiter' ? 'Limiter for the wanted light' : 'Resistor for the wanted light',
      (draft) => {
        fitLimit(coachIn(draft, jobId), group.id, { ...offered, figure });
      },
    );
  };
  const wants = (lux: number, key?: string): void =>
    edit('Wanted light', (draft) => void (coachIn(draft, jobId).wantedLux = lux), key);
  // Without a resistor on the bench supply the lamps got its volts; the sum goes by them while that light is wanted.
  const [liked, setLiked] = useState<{ readonly lux: number; readonly volts: number } | null>(null);
  const word = wantedWords.find((w) => w.lux === job.wantedLux);
  const hand =
    group && solved.readings
      ? sumByHand(
          solved.bench,
          solved.readings,
          group.id,
          liked?.lux === job.wantedLux ? liked.volts : undefined,
        )
      : null;
  return (
    <>
      <CircuitChoice job={job} jobId={jobId} />
      <h2>Wanted light at the seats</h2>
      <Choice<WordId>
        label="Wanted light at the seats"
        quiet
        options={wantedWords.map((w) => ({
          value: w.id,
          name: w.name,
          figure: formatQuantity(w.lux, 'lux'),
        }))}
        value={word?.id ?? null}
        onChoose={(id) => wants(wantedWords.find((w) => w.id === id)!.lux)}
      />
      <div
        className={proposal.stale ? 'proposal stale' : 'proposal'}
        aria-busy={proposal.stale}
        data-testid="proposal"
      >
        <p>
          {solved.readings === null && solved.failure === null
            ? ''
            : offered?.by === 'current'
              ? `Now ${formatQuantity(meanAmps, 'amp')} a lamp. `
              : `Now ${formatQuantity(lux, 'lux')}: ${lux > 0 ? nearestWord(lux).name.toLowerCase() : 'dark'}. `}
          {offered && fitted(offered.figure) ? (
            `That is as near to the wanted light as ${offered.limit === 'limiter' ? 'a limiter' : offered.from === 'drawer' ? 'the drawer' : 'E12 values'} come${offered.limit === 'limiter' || offered.from === 'drawer' ? 's' : ''}.`
          ) : offered ? (
            <>
              <b>{figureOf(offered, offered.figure)}</b> gives{' '}
              {offered.by === 'light'
                ? formatQuantity(offered.lux, 'lux')
                : `${formatQuantity(offered.amps, 'amp')} a lamp`}
              {offered.limitedBy === 'lamp' && ', the most these lamps bear for long'}
              {offered.limitedBy === 'supply' && ', the most this supply can do'}
              {offered.from === 'drawer' && ', from the drawer'}: {heatWords(offered.watts)}
              {offered.limit !== 'limiter' && `, a ${wattsName(offered.ratedWatts)} body`}.
            </>
          ) : proposal.stale ? (
            'Finding the resistor…'
          ) : (
            'No resistor makes these lamps light here.'
          )}
        </p>
        {offered && !fitted(offered.figure) && (
          <Button type="primary" disabled={proposal.stale} onClick={() => fit(offered.figure)}>
            {offered.limit === 'limiter' ? 'Set' : 'Fit'} {figureOf(offered, offered.figure)}
          </Button>
        )}
      </div>
      <More label="By feel, other values, the sum by hand">
        <SliderField
          label="As bright as"
          figure={Math.round(windowLightness(job.wantedLux))}
          least={10}
          most={100}
          step={1}
          says={`${Math.round(windowLightness(job.wantedLux))} of 100 · ${formatQuantity(job.wantedLux, 'lux', { significant: 2 })}`}
          onChange={(l) => wants(Number((FULL_LUX * shareOfLightness(l)).toPrecision(3)), 'wanted-by-feel')}
        />
        {group && (
          <Liked
            layout={layout}
            jobId={jobId}
            circuitId={group.id}
            onLike={(lux, volts) => {
              wants(lux);
              setLiked(volts === null ? null : { lux, volts });
            }}
          />
        )}
        {offered && (
          <>
            <p className="list-head">{exactWords(offered, job.wantedLux)}</p>
            <ul className="offer-list" aria-label="What can be had">
              {(offered.limitedBy === 'supply' ? [] : offered.offers).map((o) => (
                <li key={o.from}>
                  <span>
                    <b>{figureOf(offered, o.figure)}</b> <small>{offerName(o)}</small>
                  </span>
                  <Button
                    size="small"
                    disabled={proposal.stale || fitted(o.figure)}
                    onClick={() => fit(o.figure)}
                  >
                    {fitted(o.figure) ? 'fitted' : 'Fit'}
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
        {hand && (
          <p className="by-hand">
            <b>By hand:</b> <code>{hand.sum}</code>
            {hand.left && (
              <>
                {' '}
                · what is fitted would leave <code>{formatQuantity(hand.left.leftVolts, 'volt')}</code>,
                solved it leaves <code>{formatQuantity(solved.readings!.dies[0].volts.mean, 'volt')}</code>
              </>
            )}
            . {hand.why}
          </p>
        )}
      </More>
    </>
  );
}

interface LikedProps {
  readonly layout: CoachProps['layout'];
  readonly jobId: string;
  readonly circuitId: string;
  /** With the volts the lamps had themselves; null behind a resistor. */
  readonly onLike: (lux: number, volts: number | null) => void;
}

/** "I liked it at 9.5 V on my bench supply." */
function Liked({ layout, jobId, circuitId, onLike }: LikedProps) {
  const [volts, setVolts] = useState(9.5);
  const [ohms, setOhms] = useState(0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const like = async (): Promise<void> => {
    setBusy(true);
    try {
      const lux = await slowHand.search('coach/likedLux', layout, { jobId, circuitId, volts, ohms }).answer;
      if (!(lux >= 0.1)) setRefusal(`At ${volts} V these lamps are dark.`);
      else {
        setRefusal(null);
        onLike(Number(Math.min(1e5, lux).toPrecision(3)), ohms === 0 ? volts : null);
      }
    } catch (error) {
      setRefusal(textOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <p className="list-head">I liked it on my bench supply, at</p>
      <div className="liked-row">
        <NumberField
          label="Bench volts"
          unit="volt"
          figure={volts}
          limits={{ least: 0.5, most: 30, range: '0.5 V to 30 V' }}
          onCommit={setVolts}
        />
        <NumberField
          label="behind"
          unit="ohm"
          figure={ohms}
          limits={{ least: 0, most: 1e6, range: '0 Ω to 1 MΩ' }}
          onCommit={setOhms}
        />
        <Button disabled={busy} onClick={() => void like()}>
          Want that
        </Button>
      </div>
      {refusal && (
        <p className="field-refusal" role="alert">
          {refusal}
        </p>
      )}
    </>
  );
}

/** What would hit the wanted light, or why nothing does. */
function exactWords(offered: Proposal, wantedLux: number): string {
  const [exact, gives, wanted] = [
    figureOf(offered, offered.exact),
    formatQuantity(offered.lux, 'lux', { significant: 2 }),
    formatQuantity(wantedLux, 'lux', { significant: 2 }),
  ];
  if (offered.limitedBy === 'supply')
    return `With nothing in its way this supply gives ${gives} of the ${wanted} that are wanted: these lamps ask for more volts than it has. More cells, another supply or other lamps do it.`;
  if (offered.limitedBy === 'lamp')
    return `${exact} is as far as these lamps go for long: ${gives} of the ${wanted} that are wanted. More lamps do the rest. To be had:`;
  return `${exact} would hit it exactly. To be had:`;
}
