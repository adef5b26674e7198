import { Button } from 'antd';
import { CopyOutlined, DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { inOrder } from '../../../core/document/in-order';
import {
  addClip,
  dropGroup,
  endClip,
  moveClip,
  repeatClip,
  setEffect,
  setLength,
} from '../../../core/document/timeline-edits';
import { freeId } from '../../../core/document/usual-supply';
import { lampNamesOf } from '../../../core/study/lamp-names';
import {
  movingEffectNames,
  movingEffects,
  type MovingEffectName,
} from '../../../core/supply/drivers/effects';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { useSceneClocks } from '../../store/scene-clock';
import { GroupFields } from './group-fields';
import { movingIn } from './moving-in';
import { ColourField } from './colour-field';
import type { Draft } from 'immer';
import type { AnyJob } from '../../../core/document/layout';
import type { ClipRecord, Moving, TimelineRecord } from '../../../core/document/moving-record';
import type { PanelProps } from '../../kinds/face';

/** What a new scene begins with. */
const NEW = { effect: 'steady' as const, lasts: 3000 };

/** What happens when: the scene that is looked at, the groups, and the line as a whole. */
export function TimelinePanel({ layout, jobId, job }: PanelProps<AnyJob & Moving>) {
  const edit = useLayoutStore((s) => s.edit);
  const chosenId = useSceneClocks((s) => s.chosen[jobId]);
  const choose = useSceneClocks((s) => s.choose);
  const { timeline, string } = job;
  const clips = inOrder(timeline.clips);
  const groups = inOrder(timeline.groups);
  const clip = clips.find((c) => c.id === chosenId) ?? clips[0];
  const set = (label: string, recipe: (line: Draft<TimelineRecord>) => void): void =>
    edit(label, (draft) => recipe(movingIn(draft, jobId).timeline));
  const add = (group: string): void => {
    let id = '';
    set('A scene more', (line) => void (id = addClip(line, group, NEW.effect, NEW.lasts)));
    choose(jobId, id);
  };
  return (
    <div className="choices">
      <h2>What happens when</h2>
      <SelectField<string>
        label="Scene"
        value={clip?.id}
        placeholder="none yet"
        options={clips.map((c) => ({
          value: c.id,
          label: `${timeline.groups[c.group].name}: ${movingEffects[c.effect].name}, ${(c.fromMilliseconds / 1000).toFixed(1)} to ${(c.toMilliseconds / 1000).toFixed(1)} s`,
        }))}
        onChange={(id) => choose(jobId, id)}
      />
      {clip && (
        <ClipFields
          key={clip.id}
          clip={clip}
          coloured={timeline.groups[clip.group].of === 'string'}
          lasts={timeline.lastsMilliseconds}
          set={set}
        />
      )}
      <More label="Groups, and scenes of each" open={clips.length === 0}>
        {groups.map((group) => (
          <GroupFields
            key={group.id}
            group={group}
            lamps={lampNamesOf(layout, jobId)}
            stringLamps={string?.count ?? 0}
            set={set}
            onAdd={() => add(group.id)}
            onDrop={() => set(`Take ${group.name} out`, (line) => dropGroup(line, group.id))}
          />
        ))}
        <NewGroup job={job} set={set} />
      </More>
      <div className="two-fields">
        <NumberField
          label="It lasts"
          unit="second"
          figure={timeline.lastsMilliseconds / 1000}
          limits={{ least: 0.1, most: 43_200, range: '0.1 s to 12 h' }}
          onCommit={(s) => set('Length of the time line', (line) => setLength(line, Math.round(1000 * s)))}
        />
        <CountField
          label="Nothing above, % of full"
          count={timeline.capPercent}
          least={1}
          most={100}
          onCommit={(cap) => set('Brightness cap', (line) => void (line.capPercent = cap))}
        />
        <CountField
          label="Seed of what is random"
          count={timeline.seed}
          least={0}
          most={9999}
          onCommit={(seed) => set('Seed', (line) => void (line.seed = seed))}
        />
      </div>
      <p className="hint">
        Flashes from 3 to 30 a second can hurt people with photosensitive epilepsy; scenes that have them are
        told, and stand still on the screen.
      </p>
    </div>
  );
}

type Set = (label: string, recipe: (line: Draft<TimelineRecord>) => void) => void;

interface ClipFieldsProps {
  readonly clip: ClipRecord & { readonly id: string };
  readonly coloured: boolean;
  readonly lasts: number;
  readonly set: Set;
}

/** A scene: its effect, when, how fast, and in which colour. */
function ClipFields({ clip, coloured, lasts, set }: ClipFieldsProps) {
  const { id, effect } = clip;
  const of = movingEffects[effect];
  return (
    <>
      <SelectField<MovingEffectName>
        label="It does"
        value={effect}
        options={movingEffectNames.map((name) => ({
          value: name,
          label: `${movingEffects[name].name}: ${movingEffects[name].says}`,
        }))}
        onChange={(name) => set(`Effect: ${movingEffects[name].name}`, (line) => setEffect(line, id, name))}
      />
      <div className="two-fields">
        <NumberField
          label="From"
          unit="second"
          figure={clip.fromMilliseconds / 1000}
          limits={{ least: 0, most: lasts / 1000, range: `0 to ${lasts / 1000} s` }}
          onCommit={(s) => set('A scene moved', (line) => moveClip(line, id, 1000 * s))}
        />
        <NumberField
          label="To"
          unit="second"
          figure={clip.toMilliseconds / 1000}
          limits={{ least: 0.1, most: lasts / 1000, range: `0.1 to ${lasts / 1000} s` }}
          onCommit={(s) => set('A scene’s end', (line) => endClip(line, id, 1000 * s))}
        />
        {of.parameters.map((p, k) =>
          p.unit === 'millisecond' ? (
            <NumberField
              key={p.name}
              label={p.name}
              unit="second"
              figure={clip.parameters[k] / 1000}
              limits={{
                least: p.least / 1000,
                most: p.most / 1000,
                range: `${p.least} ms to ${p.most / 1000} s`,
              }}
              onCommit={(s) =>
                set(p.name, (line) => void (line.clips[id].parameters[k] = Math.round(1000 * s)))
              }
            />
          ) : (
            <CountField
              key={p.name}
              label={p.unit === 'percent' ? `${p.name}, %` : p.name}
              count={clip.parameters[k]}
              least={p.least}
              most={p.most}
              onCommit={(n) => set(p.name, (line) => void (line.clips[id].parameters[k] = n))}
            />
          ),
        )}
        {coloured && effect !== 'colour-wheel' && (
          <ColourField
            label="Colour"
            colour={clip.colour}
            onPick={(colour) => set('Colour of a scene', (line) => void (line.clips[id].colour = colour))}
          />
        )}
      </div>
      <div className="button-row">
        <Button
          icon={<CopyOutlined />}
          onClick={() => set('A scene repeated', (line) => void repeatClip(line, id))}
        >
          Repeat to the end
        </Button>
        <Button
          icon={<DeleteOutlined />}
          onClick={() => set('A scene taken out', (line) => Reflect.deleteProperty(line.clips, id))}
        >
          Take it out
        </Button>
      </div>
    </>
  );
}

/** Groups more: of the lamps that are in none, or of the string. */
function NewGroup({ job, set }: { readonly job: AnyJob & Moving; readonly set: Set }) {
  const { timeline, string } = job;
  const groups = Object.values(timeline.groups);
  const taken = new Set(groups.flatMap((g) => (g.of === 'lamps' ? g.lamps : [])));
  const free = Object.keys(job.lamps).filter((id) => !taken.has(id));
  const order = 1 + Math.max(0, ...groups.map((g) => g.order));
  const reached = Math.max(0, ...groups.map((g) => (g.of === 'string' ? g.first + g.count : 0)));
  const left = (string?.count ?? 0) - reached;
  return (
    <div className="button-row">
      {free.length > 0 && (
        <Button
          icon={<PlusOutlined />}
          onClick={() =>
            set('A group more', (line) => {
              line.groups[freeId(line.groups, 'group')] = {
                of: 'lamps',
                order,
                name: `Group ${order}`,
                lamps: free,
              };
            })
          }
        >
          Group of {free.length} free {free.length === 1 ? 'lamp' : 'lamps'}
        </Button>
      )}
      {left > 0 && (
        <Button
          icon={<PlusOutlined />}
          onClick={() =>
            set('A group more', (line) => {
              line.groups[freeId(line.groups, 'group')] = {
                of: 'string',
                order,
                name: `String from ${reached + 1}`,
                first: reached,
                count: left,
              };
            })
          }
        >
          String from lamp {reached + 1} on
        </Button>
      )}
    </div>
  );
}
