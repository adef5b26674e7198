import { Complaint } from './complaint';
import { harmless } from './print';

interface Command {
  readonly usage: string;
  readonly load: () => Promise<{ run(words: readonly string[]): number | Promise<number> }>;
}

const commands: Readonly<Record<string, Command>> = {
  deck: { usage: 'hazel deck FILE.cir [--json]', load: () => import('./deck') },
  solve: { usage: 'hazel solve FILE.hazel.json', load: () => import('./solve') },
  new: {
    usage: 'hazel new KIND --scale S --supply ID ... > FILE | hazel new KIND --help',
    load: () => import('./new'),
  },
  check: { usage: 'hazel check FILE.hazel.json', load: () => import('./check') },
  schema: { usage: 'hazel schema', load: () => import('./schema') },
  sheet: {
    usage: 'hazel sheet FILE.hazel.json --job ID [--html] [--proof]',
    load: () => import('./sheet'),
  },
  netlist: { usage: 'hazel netlist FILE.hazel.json --job ID', load: () => import('./netlist') },
};

const usage = (): string =>
  `usage: ${Object.values(commands)
    .map((c) => c.usage)
    .join(' | ')}`;

/**
 * Runs one command of the terminal.
 * @param words what stands after the program's name
 * @returns the exit status: 0, or 1 after one line of complaint
 */
export async function run(words: readonly string[]): Promise<number> {
  const command = Object.hasOwn(commands, words[0] ?? '') ? commands[words[0]] : undefined;
  try {
    if (!command) throw new Complaint(usage());
    return await (await command.load()).run(words.slice(1));
  } catch (error) {
    const line =
      error instanceof Complaint
        ? error.message
        : `hazel: ${error instanceof Error ? error.message : String(error)}`;
    process.stderr.write(`${harmless(line.replace(/\s*[\r\n]+\s*/g, ' '))}\n`);
    return 1;
  }
}
