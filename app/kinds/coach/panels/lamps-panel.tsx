import { CheckField } from '../../../fields/check-field';
import { bulbs } from '../../../../core/part/bulb';
import { leds } from '../../../../core/part/led';
import { putSwitch, switchOf } from '../../../../core/document/line-stages';
import { Button } from 'antd';
import { CountField } from '../../../fields/count-field';
import { Choice } from '../../../fields/choice';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { useChosenGroup, useRunStore } from '../../../store/run-store';
import { inOrder } from '../../../../core/document/in-order';
import { lampType, lampTypes } from '../../../../core/document/lamp-type';
import { tintedLight } from '../../../../core/light/tinted';
import { tints } from '../../../../core/part/tint';
import { screenColour } from '../../../../core/light/colour';
import { formatQuantity } from '../../../../core/quantity/format';
import { untintedLux } from '../../../../core/kinds/coach/light';
import { addTailLamps, addVestibuleLamps, removeCircuit } from '../../../../core/kinds/coach/hang-lamps';
import { coachInterior } from '../../../../core/kinds/coach/interior';
import { BuiltInFields } from '../../../panels/built-in-fields';
import { coachLightOf } from '../coach-light';
import { CircuitChoice } from '../../../panels/circuit/circuit-choice';
import { LampList } from './lamp-list';
import { LampPlaces } from './lamp-places';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { Layout } from '../../../../core/document/layout';
import type { Change } from '../../../../core/document/patch';
import type { CircuitRecord } from '../../../../core/document/wiring-record';
import type { CoachProps } from '../coach-props';

/** Which lamps, how many, where, and how they share what limits their current. */
export function LampsPanel(props: CoachProps) {
  const { layout, jobId } = props;
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const group = useChosenGroup(job, jobId);
  const all = inOrder(job.lamps);
  const lamps = all.filter(
    (l) =>
      l.circuitId === (group?.id ?? null) ||
      (l.circuitId === null && group?.id === inOrder(job.circuits)[0]?.id),
  );
  const forRooms = lamps.every((l) => l.role === 'room');
  const kinds = new Set(lamps.map((l) => l.part));
  const tinted = new Set(lamps.map((l) => l.tint));
  const part = lamps[0]?.part ?? 'white-warm';
  const led = Object.hasOwn(bulbs, part) ? leds['white-warm'] : lampType(layout, part);
  const own = group ? switchOf(job, group.id) : null;
  const facts =
    led.form === 'strip'
      ? `Cut every ${led.unitMillimetres} mm; ${led.inSeries} lamps and ${formatQuantity(led.builtInOhms, 'ohm')} a unit.`
      : `${formatQuantity(led.forwardVolts, 'volt')} at ${formatQuantity(led.testAmps, 'amp')}, ${formatQuantity(led.greatestAmps, 'amp')} at most.`;
  return (
    <div className="choices">
      <h2>Lamps in the roof</h2>
      <CircuitChoice job={job} jobId={jobId} />
      <SelectField
        label="Which"
        value={kinds.size === 1 ? lamps[0].part : undefined}
        placeholder="several"
        options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
        onChange={(part) =>
          edit('Lamp type', (draft) => {
            for (const l of lamps) coachIn(draft, jobId).lamps[l.id].part = part;
          })
        }
      />
      <p className="hint">{facts}</p>
      {group && forRooms && <LampPlaces {...props} circuitId={group.id} />}
      {group && own && (
        <CheckField
          label="Their switch is on"
          aside="off when a coach is coupled behind"
          checked={own.stage.on}
          onChange={(on) =>
            edit('Switch', (draft) => putSwitch(coachIn(draft, jobId), group.id, { ...own.stage, on: on }))
          }
        />
      )}
      {group && (
        <>
          <Choice<CircuitRecord['limit']>
            label="Current limited by"
            columns={2}
            options={[
              {
                value: 'each',
                name: group.inSeries > 1 ? 'A resistor a string' : 'A resistor each',
              },
              { value: 'shared', name: 'One for all' },
              { value: 'limiter', name: 'A current limiter' },
              { value: 'none', name: 'Nothing' },
            ]}
            value={group.limit}
            onChoose={(limit) =>
              edit('Current limit', (draft) => void (coachIn(draft, jobId).circuits[group.id].limit = limit))
            }
          />
          <More
            label="Tint, hard or soft light, strings, ready-wired"
            open={
              group.inSeries > 1 || lamps.some((l) => l.builtIn.kind !== 'nothing') || !tinted.has('none')
            }
          >
            <SelectField
              label="Tint or diffuser"
              value={tinted.size === 1 ? lamps[0].tint : undefined}
              placeholder="several"
              options={Object.values(tints).map((t) => ({
                value: t.id,
                label: `${t.name}${t.id === 'none' ? '' : ` · ${Math.round(100 * tintedLight(led.colour, t).share)} % of the light`}`,
              }))}
              onChange={(tint) =>
                edit('Tint', (draft) => {
                  for (const l of lamps) coachIn(draft, jobId).lamps[l.id].tint = tint;
                })
              }
            />
            <TintPair {...props} />
            <CountField
              label="In series"
              count={group.inSeries}
              least={1}
              most={12}
              onCommit={(n) =>
                edit('In series', (draft) => void (coachIn(draft, jobId).circuits[group.id].inSeries = n))
              }
            />
            <BuiltInFields
              jobId={jobId}
              lampIds={lamps.map((l) => l.id)}
              builtIn={lamps[0]?.builtIn ?? { kind: 'nothing' }}
              led={led}
            />
          </More>
        </>
      )}
      <LampList job={job} jobId={jobId} circuitId={group?.id} lampIds={lamps.map((l) => l.id)} />
      <MoreGroups layout={layout} jobId={jobId} circuitId={group?.id} />
    </div>
  );
}

/** The light with its tint and without, side by side; nothing where there is none. */
function TintPair({ solved }: CoachProps) {
  const lamp = solved.readings?.dies[0];
  const tint = lamp?.led && solved.bench.job.lamps[lamp.lampId].tint;
  if (!lamp?.led || !tint || tint === 'none') return null;
  const { share } = tintedLight(lamp.led.colour, tints[tint]);
  const half = (label: string, colour: string, lux: number) => (
    <span className="tint-half" style={{ background: colour }}>
      {label} {formatQuantity(lux, 'lux')}
    </span>
  );
  return (
    <p className="tint-pair" aria-label="The light left as it is, and tinted">
      {half('bare', screenColour(lamp.led.colour), untintedLux(coachLightOf(solved)?.litLux ?? 0, share))}
      {half('tinted', screenColour(lamp.xy), coachLightOf(solved)?.litLux ?? 0)}
    </p>
  );
}

interface MoreGroupsProps extends Pick<CoachProps, 'layout' | 'jobId'> {
  readonly circuitId: string | undefined;
}

/** Lamps beside those of the rooms, each group with its own resistors. */
function MoreGroups({ layout, jobId, circuitId }: MoreGroupsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const choose = useRunStore((s) => s.chooseGroup);
  const job = coachIn(layout, jobId);
  const groups = inOrder(job.circuits);
  const vestibules = coachInterior(job).rooms.filter((r) => r.kind === 'vestibule').length;
  const add = (label: string, make: (layout: Layout) => Change): void => {
    // What the panel shows may be a remedy that is only looked at.
    const now = useLayoutStore.getState().layout ?? layout;
    const made = make(now);
    const before = new Set(Object.keys(coachIn(now, jobId).circuits));
    edit(label, (draft) => {
      draft.jobs[jobId] = coachIn(made.layout, jobId);
    });
    const fresh = Object.keys(coachIn(made.layout, jobId).circuits).find((g) => !before.has(g));
    if (fresh) choose(jobId, fresh);
  };
  return (
    <More label="Vestibule and tail lamps" open={groups.length > 1}>
      <div className="button-row">
        {vestibules > 0 && (
          <Button onClick={() => add('Vestibule lamps', (l) => addVestibuleLamps(l, jobId))}>
            {vestibules === 1 ? 'A lamp for the vestibule' : `Lamps for ${vestibules} vestibules`}
          </Button>
        )}
        <Button onClick={() => add('Tail lamps', (l) => addTailLamps(l, jobId, 'left'))}>
          Tail lamps, left end
        </Button>
        <Button onClick={() => add('Tail lamps', (l) => addTailLamps(l, jobId, 'right'))}>
          Tail lamps, right end
        </Button>
        {groups.length > 1 && circuitId !== undefined && (
          <Button
            danger
            onClick={() =>
              edit(`${job.circuits[circuitId].name} taken away`, (draft) =>
                removeCircuit(coachIn(draft, jobId), circuitId),
              )
            }
          >
            Take “{job.circuits[circuitId].name}” away
          </Button>
        )}
      </div>
    </More>
  );
}
