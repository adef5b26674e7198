import { inOrder } from '../../../core/document/in-order';
import { stageOf } from '../../../core/document/line-stages';
import { housingMillimetres, plugPitches } from '../../../core/part/small-plug';
import { formatQuantity } from '../../../core/quantity/format';
import { CheckField } from '../../fields/check-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { SliderField } from '../../fields/slider-field';
import { useLayoutStore } from '../../store/layout-store';
import { CircuitPanel } from '../circuit/circuit-panel';
import { HookUpFields, sceneryIn, setLampAmps, socketOf } from './hook-up-fields';
import type { FunctionComponent } from 'react';
import type { HookUpStyle } from '../../../core/study/hook-up';
import type { AnyJob } from '../../../core/document/layout';
import type { Scenery } from '../../../core/document/scenery-record';
import type { PanelProps } from '../../kinds/face';

type SceneryProps = PanelProps<AnyJob & Scenery>;

const NONE = 'none';
const pitchOf = (text: string): number | null => (text === NONE ? null : Number(text));
const pitches = [
  { value: NONE, label: 'none: bare ends' },
  ...plugPitches.map((p) => ({ value: String(p), label: `${p} mm` })),
];

/** A panel for lamps that belong together in one way. */
const panelFor = (style: HookUpStyle) =>
  function CircuitsPanel(props: SceneryProps) {
    return <Circuits {...props} style={style} />;
  };
export const circuitsPanels: Readonly<Record<HookUpStyle, FunctionComponent<SceneryProps>>> = {
  apart: panelFor('apart'),
  rooms: panelFor('rooms'),
  string: panelFor('string'),
};

/** How lamps of the scenery are joined, and how bright each is set: by its resistor or by its trimmer. */
function Circuits({ style, ...props }: SceneryProps & { readonly style: HookUpStyle }) {
  const { layout, jobId, job, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  const { readings } = solved;
  const circuits = inOrder(job.circuits).filter((c) =>
    Object.values(job.lamps).some((l) => l.circuitId === c.id),
  );
  const lit = (circuitId: string): number => {
    const own = (readings?.dies ?? []).filter((d) => d.circuitId === circuitId);
    return own.length === 0 ? 0 : own.reduce((sum, d) => sum + d.litAmps, 0) / own.length;
  };
  return (
    <div className="choices">
      <h2>How it is joined</h2>
      <HookUpFields layout={layout} jobId={jobId} job={job} readings={readings} style={style} />
      <h3 className="part-head">How bright</h3>
      {circuits.map((circuit) => {
        const socket = socketOf(job, circuit.id);
        return socket ? (
          <div key={circuit.id} className="socket-row">
            <SliderField
              label={circuit.name}
              figure={Math.round(100 * socket.turn)}
              least={0}
              most={100}
              step={1}
              says={`trimmer at ${Math.round(100 * socket.turn)} %, ${formatQuantity(lit(circuit.id), 'amp', { significant: 2 })} a lamp`}
              onChange={(v) =>
                edit(
                  'Trimmer',
                  (draft) => {
                    const own = sceneryIn(draft, jobId);
                    const stage = stageOf(own.lines[own.circuits[circuit.id].lineId], 'socket');
                    if (stage) stage.turn = v / 100;
                  },
                  `trimmer ${circuit.id}`,
                )
              }
            />
            <CheckField
              label="Jumper in"
              checked={socket.on}
              onChange={(on) =>
                edit('Jumper', (draft) => {
                  const own = sceneryIn(draft, jobId);
                  const stage = stageOf(own.lines[own.circuits[circuit.id].lineId], 'socket');
                  if (stage) stage.on = on;
                })
              }
            />
          </div>
        ) : (
          <NumberField
            key={circuit.id}
            label={`${circuit.name}: current in each`}
            unit="amp"
            figure={Number(lit(circuit.id).toPrecision(2))}
            limits={{ least: 1e-5, most: 0.1, range: '0.01 mA to 100 mA' }}
            aside={
              circuit.limit === 'none'
                ? undefined
                : `${formatQuantity(circuit.ohms, 'ohm')} ${circuit.limit === 'each' ? 'each' : 'for all'}`
            }
            significant={2}
            onCommit={(amps) =>
              edit('How bright', (draft) => setLampAmps(layout, draft, jobId, circuit.id, amps))
            }
          />
        );
      })}
      <h3 className="part-head">Plugs</h3>
      <div className="two-fields">
        <SelectField
          label="On the leads"
          value={job.plug.leadPitch === null ? NONE : String(job.plug.leadPitch)}
          options={pitches}
          onChange={(v) =>
            edit('Plug', (draft) => void (sceneryIn(draft, jobId).plug.leadPitch = pitchOf(v) as never))
          }
        />
        <SelectField
          label="It goes into"
          value={job.plug.socketPitch === null ? NONE : String(job.plug.socketPitch)}
          options={pitches}
          onChange={(v) =>
            edit('Socket', (draft) => void (sceneryIn(draft, jobId).plug.socketPitch = pitchOf(v) as never))
          }
        />
      </div>
      {job.plug.leadPitch !== null && <PlugOnLeads jobId={jobId} job={job} pitch={job.plug.leadPitch} />}
      <More label="By the circuit">
        <CircuitPanel {...props} />
      </More>
    </div>
  );
}

/** Whether the plug hangs on the leads before they are threaded, and what that asks of the holes. */
function PlugOnLeads({
  jobId,
  job,
  pitch,
}: {
  readonly jobId: string;
  readonly job: AnyJob;
  readonly pitch: number;
}) {
  const edit = useLayoutStore((s) => s.edit);
  const across = housingMillimetres(pitch);
  const ways = inOrder(job.passages).filter((p) => p.serves !== 'feed');
  const on = ways.some((p) => p.carriesMillimetres !== null);
  return (
    <CheckField
      label={
        <>
          Crimped on before threading{' '}
          <small>a housing of two is {formatQuantity(across, 'millimetre')} across</small>
        </>
      }
      checked={on}
      onChange={(now) =>
        edit('Plug on the leads', (draft) => {
          for (const p of Object.values(sceneryIn(draft, jobId).passages))
            if (p.serves !== 'feed') p.carriesMillimetres = now ? across : null;
        })
      }
    />
  );
}
