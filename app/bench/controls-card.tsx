import { Button, ConfigProvider, Segmented, Switch } from 'antd';
import { lazy, memo, Suspense, useId } from 'react';
import { handFor, inputsForHand } from '../../core/study/hand';
import { PRESSES } from '../../core/supply/drivers/decoder';
import {
  directionIn,
  THROTTLE,
  throttleIn,
  type Input,
  type Setting,
  type State,
} from '../../core/supply/state';
import { supplyKind } from '../../core/supply';
import { useRunStore, type JobHand } from '../store/run-store';
import { night } from '../theme/theme';
import { useSame } from './use-same';
import type { PanelProps } from '../kinds/face';

/** Few jobs have a throttle: its slider is fetched where there is one. */
const RangeControl = lazy(async () => ({ default: (await import('./range-control')).RangeControl }));

/** What the hand is on: the supply it stands on, power, and whatever the job's inputs give to set. */
export function ControlsCard({ jobId, layout, job, solved, hand }: PanelProps) {
  const { bench } = solved;
  const state = handFor(bench, solved.state);
  const kind = supplyKind(bench.supply);
  const of = useSame<ControlsProps>({
    jobId,
    supplyId: bench.supplyId,
    supplies: suppliesOf(job, layout.supplies).map((id) => ({
      id,
      name: supplyKind(layout.supplies[id]).name,
    })),
    supplyName: kind.name,
    supplyWords: kind.words(bench.supply, { throttle: throttleIn(state), direction: directionIn(state) }),
    inputs: inputsForHand(bench),
    state,
    hand: { power: hand.power, set: hand.set },
  });
  return <Controls of={of} />;
}

interface ControlsProps {
  readonly jobId: string;
  readonly supplyId: string;
  readonly supplies: readonly { readonly id: string; readonly name: string }[];
  readonly supplyName: string;
  readonly supplyWords: string;
  readonly inputs: readonly Input[];
  readonly state: State;
  readonly hand: Pick<JobHand, 'power' | 'set'>;
}

/** Most edits leave the controls as they are, and what is solved anew comes often: they are drawn for what they say alone. */
const Controls = memo(function Controls({ of }: { readonly of: ControlsProps }) {
  const { jobId, inputs, state, hand, supplies, supplyId } = of;
  const control = useRunStore((s) => s.control);
  const setInput = useRunStore((s) => s.setInput);
  const id = useId();
  const keys = inputs
    .filter((i) => i.with !== undefined || i.id === PRESSES)
    .sort((a, b) => keyNumber(a) - keyNumber(b));
  const set = (input: string, setting: Setting): void => setInput(jobId, input, setting);
  return (
    <ConfigProvider theme={night}>
      <div className="stage-controls">
        {supplies.length > 1 ? (
          <Segmented
            aria-label="Set it on"
            options={supplies.map((s) => ({ value: s.id, label: s.name }))}
            value={supplyId}
            onChange={(supplyId) => {
              const { [THROTTLE]: left, ...kept } = hand.set;
              void left;
              control(jobId, { supplyId, set: kept });
            }}
          />
        ) : (
          <div className="row">
            <span className="head">{of.supplyName}</span>
            <code>{of.supplyWords.replace(/^(DCC|DC|AC|bus) /, '').replace(/ (forward|reverse)$/, '')}</code>
          </div>
        )}
        <div className="row">
          <span id={`${id}-power`}>Power</span>
          <Switch
            aria-labelledby={`${id}-power`}
            checked={hand.power}
            onChange={(power) => control(jobId, { power })}
          />
        </div>
        {inputs
          .filter((i) => !keys.includes(i))
          .map((input) => (
            <InputControl key={input.id} input={input} state={state} onSet={set} />
          ))}
        {keys.length > 0 && (
          <div className="function-keys" role="group" aria-label="Functions">
            {keys.map((input) => (
              <FunctionKey key={input.id} input={input} state={state} onSet={set} />
            ))}
          </div>
        )}
      </div>
    </ConfigProvider>
  );
});

type Supplies = PanelProps['layout']['supplies'];

/** The supplies a job may be set on: its own, and the one it is tried on. */
function suppliesOf(job: PanelProps['job'], supplies: Supplies): string[] {
  const other: unknown = job.otherSupplyId;
  return [job.supplyId, ...(typeof other === 'string' && Object.hasOwn(supplies, other) ? [other] : [])];
}

/** "F6" and "Presses of F6" in the order of their numbers. */
const keyNumber = (input: Input): number => Number(/\d+$/.exec(input.name)?.[0] ?? 0);

interface InputProps {
  readonly input: Input;
  readonly state: State;
  readonly onSet: (input: string, setting: Setting) => void;
}

/** Letters of all its settings that a control takes in one line. */
const MOST_LETTERS = 22;

/** "forward" as it stands on a button. */
const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** One input: a slider for a range, a switch for on and off, else its values side by side. */
function InputControl({ input, state, onSet }: InputProps) {
  const id = useId();
  const { domain } = input;
  // What can only be one way needs no control.
  if ('values' in domain && domain.values.length < 2) return null;
  const setting = state[input.id] ?? input.usual;
  if (!('values' in domain)) {
    const { least, most, step } = domain;
    const says = `${Math.round((100 * (Number(setting) - least)) / (most - least))} %`;
    return (
      <div>
        <div className="row">
          <span id={id}>{input.name}</span> <code>{says}</code>
        </div>
        <Suspense fallback={<div className="range-place" />}>
          <RangeControl
            labelledBy={id}
            says={says}
            least={least}
            most={most}
            step={step / 5}
            value={Number(setting)}
            onSet={(to) => onSet(input.id, to)}
          />
        </Suspense>
      </div>
    );
  }
  if (domain.values.every((v) => typeof v === 'boolean')) {
    return (
      <div className="row">
        <span id={id}>{input.name}</span>
        <Switch aria-labelledby={id} checked={setting === true} onChange={(on) => onSet(input.id, on)} />
      </div>
    );
  }
  const options = domain.values.map((v) => ({
    value: String(v),
    label: domain.names?.[String(v)] ?? capital(String(v)),
  }));
  const onChange = (to: string): void =>
    onSet(
      input.id,
      domain.values.find((v) => String(v) === to)!,
    );
  // Many, or long names, want a line each.
  const inALine = options.reduce((sum, o) => sum + o.label.length, 0) <= MOST_LETTERS;
  return (
    <Segmented
      block
      vertical={!inALine}
      aria-label={input.name}
      options={options}
      value={String(setting)}
      onChange={onChange}
    />
  );
}

/** A key that is down or up, or that steps through its values. */
function FunctionKey({ input, state, onSet }: InputProps) {
  const setting = state[input.id] ?? input.usual;
  if (typeof setting === 'boolean') {
    return (
      <Button
        size="small"
        type={setting ? 'primary' : 'default'}
        aria-pressed={setting}
        onClick={() => onSet(input.id, !setting)}
      >
        {input.name}
      </Button>
    );
  }
  const values = 'values' in input.domain ? input.domain.values : [];
  const at = values.indexOf(setting);
  return (
    <Button
      size="small"
      aria-label={`${input.name}: ${String(setting)}; steps`}
      onClick={() => onSet(input.id, values[(at + 1) % values.length])}
    >
      {input.name.replace(/^Presses of /, '')}·{String(setting)}
    </Button>
  );
}
