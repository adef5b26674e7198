import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { lampWords } from '../../../core/finding/about';
import { SelectField } from '../../fields/select-field';
import { palette } from '../../theme/palette';
import { useStudy } from '../../workers/use-study';
import { LIGHT_ON_PAPER } from '../charts/light-scale';
import { LineChart } from '../charts/line-chart';
import type { PictureProps } from '../../kinds/face';

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const milliamps = (v: number): string => `${Number(v.toPrecision(2))} mA`;
const TICKS = [0, 0.25, 0.5, 0.75, 1];

/** Light and current of the lamps on a socket over the travel of its trimmer. */
export function TrimmerPicture({ layout, jobId, hand, solved }: PictureProps) {
  const study = useStudy('trimmers', layout, { jobId, supplyId: hand.supplyId ?? undefined });
  const [chosen, setChosen] = useState(0);
  const all = study.answer;
  if (!all) return <p className="stale-note">{study.failure ?? 'Being worked out…'}</p>;
  const travel = all[Math.min(chosen, all.length - 1)];
  if (!travel) return <p className="stale-note">No lamp is plugged in.</p>;
  const socket = solved.bench.assembly.parts.find((p) => p.id === travel.parts[0]);
  const amps = travel.points.map((p) => 1e3 * p.amps);
  const top = Math.max(0.1, ...amps) * 1.1;
  const light = Math.max(1, ...travel.points.map((p) => Math.min(100, p.lightness)));
  return (
    <>
      {all.length > 1 && (
        <SelectField
          label="Trimmer of"
          value={String(Math.min(chosen, all.length - 1))}
          options={all.map((t, i) => ({ value: String(i), label: lampWords(solved.bench, t.lampIds) }))}
          onChange={(v) => setChosen(Number(v))}
        />
      )}
      <LineChart
        label="Light and current over the trimmer"
        legend={
          <span>
            Lightness <b style={{ color: LIGHT_ON_PAPER }}>━ of 100</b> and current{' '}
            <b style={{ color: palette.moss }}>┅ milliamps</b>, trimmer from all the way down to all the way
            up
          </span>
        }
        along="turn of the trimmer"
        x={travel.points.map((p) => p.turn)}
        domain={[0, 1]}
        ticks={TICKS}
        saysX={percent}
        curves={[
          {
            name: 'lightness',
            colour: palette.brass,
            values: travel.points.map((p) => Math.min(100, p.lightness)),
            says: (v) => v.toFixed(0),
          },
          {
            name: 'current',
            colour: palette.moss,
            dashed: true,
            side: 'right',
            values: amps,
            says: milliamps,
          },
        ]}
        left={{
          domain: [0, Math.ceil(light / 10) * 10],
          ticks: scaleLinear([0, Math.ceil(light / 10) * 10], [0, 1]).ticks(4),
          says: (v) => String(v),
          colour: LIGHT_ON_PAPER,
        }}
        right={{
          domain: [0, top],
          ticks: scaleLinear([0, top], [0, 1]).ticks(4),
          says: milliamps,
          colour: palette.moss,
        }}
        marks={[
          ...(travel.darkBelow === null
            ? []
            : [{ at: travel.darkBelow, says: `dark below ${percent(travel.darkBelow)}` }]),
          ...(travel.flatFrom < 0.97
            ? [{ at: travel.flatFrom, says: `nothing more above ${percent(travel.flatFrom)}` }]
            : []),
        ]}
        now={socket?.kind === 'socket' ? socket.turn : undefined}
        stale={study.stale}
      />
    </>
  );
}
