import type { Assembly } from '../../assembly/assembly';
import type { Condition, Fact } from './fact';

/** What is in the hand. Changing it costs time and reach. */
export const tools = {
  hands: 'hands',
  tester: 'bench tester',
  iron: 'soldering iron',
  drill: 'drill in a pin vice',
  screwdriver: 'small screwdriver',
  file: 'needle file',
  knife: 'knife or cutters',
  heat: 'warm air',
  computer: 'what it is programmed with',
  brush: 'brush',
  glue: 'glue',
  supply: 'the supply it runs on',
} as const;
export type Tool = keyof typeof tools;

/** How the model lies while it is worked on. Turning it round costs time and risks wires. */
export const positions = {
  bench: 'loose parts on the bench',
  shell: 'shell upside down',
  inside: 'open, right way up',
  closed: 'shell on',
} as const;
export type Position = keyof typeof positions;

/** Why care is due; told where it is due and nowhere else. */
export const cautions = {
  fumes:
    'Fumes: open a window, keep your head out of the smoke. Solder may hold lead: wash your hands before you eat.',
  plastic:
    'Hot iron near thin plastic: solder outside the shell where you can, a wet tissue against it where you cannot.',
  eyes: 'Eye protection: drills break and cut ends fly.',
  cells: 'Small cells are swallowed: keep them from children, and never solder on a cell.',
  polarity: 'An electrolytic the wrong way round bursts: the stripe and the short leg are minus.',
  motor:
    'A motor brush that still touches a rail or the frame destroys the decoder: measure between each brush and each rail with the power off; the tester stays dark.',
  unplug: 'Off its supply before it is opened: from the track, out of its plug, cells out.',
} as const;
export type CautionName = keyof typeof cautions;

/** A task that has to be done before another, and why. */
export interface Need {
  readonly task: string;
  readonly because: string;
}

/** One end of a lead that is joined. */
export interface JoinedEnd {
  readonly lead: string;
  readonly part: string;
}

/** Stock that is used up, by the key of its sort, and how many. */
export interface StockUse {
  readonly key: string;
  readonly count: number;
}

/** One thing to do at the bench. */
export interface Task {
  /** Stable across edits: the trade, and what it is about. */
  readonly id: string;
  /** Ids of the single tasks it stands for, where like ones are done together; none where it is one. */
  readonly formerly: readonly string[];
  /** In a few words, as it is read aloud. */
  readonly does: string;
  /** How, with its figures. */
  readonly says: string;
  readonly tool: Tool;
  /** Sizes of what is in the hand, in millimetres; none where it has none. */
  readonly sizes: readonly number[];
  readonly position: Position;
  readonly minutes: number;
  /** What has to dry before what needs it goes on. */
  readonly dryMinutes: number;
  readonly undone: 'can' | 'cannot';
  /** It may fail, and says so while there is time. */
  readonly tests: boolean;
  /** Better late than early, where nothing asks for it: an open body is in the way. */
  readonly late: boolean;
  /** Parts of the assembly and lamps it is about; no lamps where it is about all of them. */
  readonly parts: readonly string[];
  readonly lamps: readonly string[];
  readonly joins: readonly JoinedEnd[];
  /** The passages that are threaded. */
  readonly threads: readonly string[];
  readonly caution: CautionName | null;
  readonly uses: readonly StockUse[];
  /** What must be so before, or not yet; what is so after. */
  readonly asks: readonly Condition[];
  readonly makes: readonly Fact[];
  /** The tasks that make it so. */
  readonly needs: readonly Need[];
}

/** A task before it is known who makes what it asks for, with what is told once it has its place. */
export interface Act extends Omit<Task, 'needs'> {
  /** What a test shows, solved on what is joined when it is its turn; follows on what it says. */
  readonly sees?: (then: Assembly) => string;
}

const blank = {
  sizes: [],
  position: 'bench',
  dryMinutes: 0,
  undone: 'can',
  tests: false,
  late: false,
  parts: [],
  lamps: [],
  joins: [],
  threads: [],
  formerly: [],
  caution: null,
  uses: [],
  asks: [],
  makes: [],
} as const satisfies Partial<Act>;

/** A task of loose parts on the bench that can be undone, unless it says more. */
export const act = (of: Pick<Act, 'id' | 'does' | 'says' | 'tool' | 'minutes'> & Partial<Act>): Act => ({
  ...blank,
  ...of,
});
