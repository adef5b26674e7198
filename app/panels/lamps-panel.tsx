import { Button } from 'antd';
import { CountField } from '../fields/count-field';
import { Choice } from '../fields/choice';
import { More } from '../fields/more';
import { SelectField } from '../fields/select-field';
import { useLayoutStore } from '../store/layout-store';
import { useChosenGroup, useRunStore } from '../store/run-store';
import { inOrder } from '../../core/document/in-order';
import { lampType, lampTypes } from '../../core/document/lamp-type';
import { tintedLight } from '../../core/light/tinted';
import { tints } from '../../core/part/tint';
import { screenColour } from '../../core/light/colour';
import { formatQuantity } from '../../core/quantity/format';
import { untintedLux } from '../../core/study/coach-light';
import { addTailLamps, addVestibuleLamps, removeGroup } from '../../core/study/hang-lamps';
import { coachInterior } from '../../core/study/coach-interior';
import { BuiltInFields } from './built-in-fields';
import { GroupTabs } from './group-tabs';
import { LampList } from './lamp-list';
import { LampPlaces } from './lamp-places';
import { coachIn } from '../../core/document/jobs';
import type { Change } from '../../core/document/patch';
import type { GroupRecord } from '../../core/document/coach-record';
import type { PanelProps } from './panel-props';

/** Which lamps, how many, where, and how they share what limits their current. */
export function LampsPanel({ layout, jobId, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const group = useChosenGroup(job, jobId);
  const all = inOrder(job.lamps);
  const lamps = all.filter(
    (l) =>
      l.groupId === (group?.id ?? null) || (l.groupId === null && group?.id === inOrder(job.groups)[0]?.id),
  );
  const forRooms = lamps.every((l) => l.role === 'room');
  const kinds = new Set(lamps.map((l) => l.part));
  const tinted = new Set(lamps.map((l) => l.tint));
  const led = lampType(layout, lamps[0]?.part ?? 'white-warm');
  const facts =
    led.form === 'strip'
      ? `Cut every ${led.unitMillimetres} mm; ${led.inSeries} lamps and ${formatQuantity(led.builtInOhms, 'ohm')} a unit.`
      : `${formatQuantity(led.forwardVolts, 'volt')} at ${formatQuantity(led.testAmps, 'amp')}, ${formatQuantity(led.greatestAmps, 'amp')} at most.`;
  return (
    <div className="choices">
      <h2>Lamps in the roof</h2>
      <GroupTabs job={job} jobId={jobId} />
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
      {group && forRooms && <LampPlaces layout={layout} jobId={jobId} solved={solved} groupId={group.id} />}
      {group?.switch && (
        <label className="fit-label">
          <input
            type="checkbox"
            checked={group.switch.on}
            onChange={(e) =>
              edit(
                'Switch',
                (draft) => void (coachIn(draft, jobId).groups[group.id].switch!.on = e.target.checked),
              )
            }
          />
          Their switch is on <small>off when a coach is coupled behind</small>
        </label>
      )}
      {group && (
        <>
          <Choice<GroupRecord['drive']>
            label="Current limited by"
            columns={2}
            options={[
              {
                value: 'resistor-each',
                name: group.inSeries > 1 ? 'A resistor a string' : 'A resistor each',
              },
              { value: 'resistor-shared', name: 'One for all' },
              { value: 'limiter', name: 'A current limiter' },
              { value: 'none', name: 'Nothing' },
            ]}
            value={group.drive}
            onChoose={(drive) =>
              edit('Current limit', (draft) => void (coachIn(draft, jobId).groups[group.id].drive = drive))
            }
          />
          <More
            label="Tint, hard or soft light, strings, ready-wired"
            open={group.inSeries > 1 || group.builtIn.kind !== 'nothing' || !tinted.has('none')}
          >
            <SelectField
              label="Between lamp and eye"
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
            <TintPair layout={layout} jobId={jobId} solved={solved} />
            <CountField
              label="Lamps in a row, one after another"
              count={group.inSeries}
              least={1}
              most={12}
              onCommit={(n) =>
                edit('Lamps in a row', (draft) => void (coachIn(draft, jobId).groups[group.id].inSeries = n))
              }
            />
            <BuiltInFields jobId={jobId} groupId={group.id} group={group} led={led} />
          </More>
        </>
      )}
      <LampList job={job} jobId={jobId} groupId={group?.id} lampIds={lamps.map((l) => l.id)} />
      <MoreGroups layout={layout} jobId={jobId} groupId={group?.id} />
    </div>
  );
}

/** The light with its tint and without, side by side; nothing where there is none. */
function TintPair({ solved }: PanelProps) {
  const lamp = solved.steady?.lamps[0];
  const tint = lamp && solved.bench.job.lamps[lamp.lampId].tint;
  if (!lamp || !tint || tint === 'none') return null;
  const { share } = tintedLight(lamp.led.colour, tints[tint]);
  const half = (label: string, colour: string, lux: number) => (
    <span className="tint-half" style={{ background: colour }}>
      {label} {formatQuantity(lux, 'lux')}
    </span>
  );
  return (
    <p className="tint-pair" aria-label="The light left as it is, and tinted">
      {half('bare', screenColour(lamp.led.colour), untintedLux(solved.light?.litLux ?? 0, share))}
      {half('tinted', screenColour(lamp.xy), solved.light?.litLux ?? 0)}
    </p>
  );
}

interface MoreGroupsProps extends Pick<PanelProps, 'layout' | 'jobId'> {
  readonly groupId: string | undefined;
}

/** Lamps beside those of the rooms, each group with its own resistors. */
function MoreGroups({ layout, jobId, groupId }: MoreGroupsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const choose = useRunStore((s) => s.chooseGroup);
  const job = coachIn(layout, jobId);
  const groups = inOrder(job.groups);
  const vestibules = coachInterior(job).rooms.filter((r) => r.kind === 'vestibule').length;
  const add = (label: string, made: Change): void => {
    const before = new Set(Object.keys(job.groups));
    edit(label, (draft) => {
      draft.jobs[jobId] = coachIn(made.layout, jobId);
    });
    const fresh = Object.keys(coachIn(made.layout, jobId).groups).find((g) => !before.has(g));
    if (fresh) choose(jobId, fresh);
  };
  return (
    <More label="Vestibule and tail lamps" open={groups.length > 1}>
      <div className="button-row">
        {vestibules > 0 && (
          <Button onClick={() => add('Vestibule lamps', addVestibuleLamps(layout, jobId))}>
            {vestibules === 1 ? 'A lamp for the vestibule' : `Lamps for ${vestibules} vestibules`}
          </Button>
        )}
        <Button onClick={() => add('Tail lamps', addTailLamps(layout, jobId, 'left'))}>
          Tail lamps, left end
        </Button>
        <Button onClick={() => add('Tail lamps', addTailLamps(layout, jobId, 'right'))}>
          Tail lamps, right end
        </Button>
        {groups.length > 1 && groupId !== undefined && (
          <Button
            danger
            onClick={() =>
              edit(`${job.groups[groupId].name} taken away`, (draft) =>
                removeGroup(coachIn(draft, jobId), groupId),
              )
            }
          >
            Take “{job.groups[groupId].name}” away
          </Button>
        )}
      </div>
    </More>
  );
}
