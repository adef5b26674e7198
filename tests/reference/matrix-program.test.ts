import { loadMicroPython } from '@micropython/micropython-webassembly-pyscript';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { cpp } from '../../core/build/program/cpp';
import { microPython } from '../../core/build/program/micropython';
import { timelineOfAspects, wiringOfPins } from '../../core/build/program/of-aspects';
import { inOrder } from '../../core/document/in-order';
import { change } from '../../core/document/patch';
import { signalIn } from '../../core/kinds/signal/jobs';
import { newSignal } from '../../core/kinds/signal/make';
import { benchOf } from '../../core/study/bench';
import { laidOut } from '../../core/supply/drivers/laid-out';
import { quayside } from '../scenery';
import { has } from './compilers';

/** All aspects of a signal in turn on pins 2 and up: two rows, then two columns. */
function made(transistors: boolean) {
  const { layout: begun, jobId } = newSignal(quayside(), {
    practice: 'four-aspect',
    name: 'Signal',
    supply: { id: 'bus-5' },
    driver: 'matrix',
    common: 'anode',
  });
  const layout = change(begun, (draft) => {
    const { driver } = signalIn(draft, jobId);
    if (driver?.kind === 'matrix') driver.transistors = transistors;
  }).layout;
  const job = signalIn(layout, jobId);
  const timeline = timelineOfAspects(
    job,
    inOrder(job.aspects).map((a) => a.id),
    60,
  );
  return { timeline, wiring: wiringOfPins(benchOf(layout, jobId), [2, 3, 4, 5]) };
}

/** Crossings that the preview shows lit in each frame, by number from 0, ascending. */
function previewed({ timeline, wiring }: ReturnType<typeof made>, frames: number): string[] {
  const fill = laidOut(timeline);
  const frame = new Uint8Array(timeline.channels);
  return Array.from({ length: frames }, (_, k) => {
    fill(k * timeline.frameMilliseconds, frame);
    return wiring
      .matrix!.crossings.filter((_crossing, channel) => frame[channel] > 127)
      .sort((a, b) => a - b)
      .join(' ');
  });
}

/** Stand-ins for pins that know their state, and a clock; what is lit is looked at whenever time goes on. */
const PYTHON_BOARD = (columnLit: number): string => `
import sys
state = {}
class Module: pass
class Pin:
    IN = 0
    OUT = 1
    def __init__(self, number, mode=0, value=0):
        self.number = number
        state[number] = (mode, value)
    def init(self, mode, value=0): state[self.number] = (mode, value)
    def value(self, v): state[self.number] = (state[self.number][0], v)
seen = {}
most_rows = 0
clock = Module(); clock.us = 0
def look():
    global most_rows
    on = [r for r in range(2) if state[2 + r] == (1, 1)]
    most_rows = max(most_rows, len(on))
    lit = seen.setdefault(clock.us // 20000, set())
    for r in on:
        for c in range(2):
            if state[4 + c] == (1, ${columnLit}): lit.add(2 * r + c)
def sleep_us(us):
    look()
    clock.us += us
clock.ticks_ms = lambda: clock.us // 1000
clock.ticks_add = lambda a, b: a + b
clock.ticks_diff = lambda a, b: a - b
clock.sleep_us = sleep_us
machine = Module(); machine.Pin = Pin
sys.modules['machine'] = machine
sys.modules['time'] = clock
`;

const CPP_BOARD = (columnLit: number): string => `
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
enum { LOW = 0, HIGH = 1, INPUT = 0, OUTPUT = 1 };
static int mode[8], value[8];
static uint32_t clock_ms = 0;
static void pinMode(int pin, int m) { mode[pin] = m; }
static void digitalWrite(int pin, int v) { value[pin] = v; }
static void analogWrite(int, int) {}
static uint32_t millis() { return clock_ms; }
static uint32_t micros() { return 1000u * clock_ms; }
static bool lit(int crossing) {
  int row = 2 + crossing / 2, column = 4 + crossing % 2;
  return mode[row] == OUTPUT && value[row] == HIGH && mode[column] == OUTPUT && value[column] == ${columnLit};
}
`;

const FRAMES = 800;

describe.each([false, true])(
  'the program of a matrix, with transistors behind its pins: %s',
  (transistors) => {
    const of = made(transistors);
    const columnLit = transistors ? 1 : 0;
    let folder: string;
    beforeAll(() => {
      folder = mkdtempSync(join(tmpdir(), 'matrix-'));
    });
    afterAll(() => rmSync(folder, { recursive: true, force: true }));

    test('is long enough to show every aspect, and not all frames are alike', () => {
      expect(FRAMES * of.timeline.frameMilliseconds).toBeGreaterThanOrEqual(of.timeline.lastsMilliseconds);
      expect(new Set(previewed(of, FRAMES)).size).toBeGreaterThan(3);
    });

    test('MicroPython lights in each frame the crossings that the preview shows, one row at a time', async () => {
      const python = await loadMicroPython({ heapsize: 16 * 1024 * 1024 });
      python.runPython(PYTHON_BOARD(columnLit));
      python.runPython(
        microPython(of.timeline, of.wiring).replace(/if __name__ == '__main__':\n {4}run\(\)\n/, ''),
      );
      python.runPython(`
run(${FRAMES})
shown = [' '.join(str(c) for c in sorted(seen[k])) for k in range(${FRAMES})]
`);
      expect([...(python.globals.get('shown') as Iterable<string>)]).toEqual(previewed(of, FRAMES));
      expect(python.globals.get('most_rows')).toBe(1);
    });

    test.skipIf(!has('g++'))('C++ does the same', () => {
      const [file, program] = [join(folder, 'matrix.cpp'), join(folder, 'matrix')];
      const main = `
int main() {
  setup();
  for (int k = 0; k < ${FRAMES}; k++) {
    bool seen[4] = {false, false, false, false};
    for (uint32_t t = 0; t < FRAME_MS; t++) {
      loop();
      for (int c = 0; c < 4; c++) if (lit(c)) seen[c] = true;
      clock_ms++;
    }
    bool first = true;
    for (int c = 0; c < 4; c++) if (seen[c]) { printf(first ? "%d" : " %d", c); first = false; }
    printf("\\n");
  }
}
`;
      writeFileSync(file, CPP_BOARD(columnLit) + cpp(of.timeline, of.wiring) + main);
      execFileSync('g++', [
        '-std=c++11',
        '-O1',
        '-Wall',
        '-Wextra',
        '-Werror',
        '-Wno-unused-function',
        file,
        '-o',
        program,
      ]);
      const lines = execFileSync(program, { encoding: 'utf8' }).split('\n').slice(0, FRAMES);
      expect(lines).toEqual(previewed(of, FRAMES));
    });
  },
);

test('a pin that is a row and a column is refused', () => {
  const { timeline, wiring } = made(false);
  const twice = { ...wiring, matrix: { ...wiring.matrix!, columnPins: [4, 2] } };
  expect(() => microPython(timeline, twice)).toThrow(/pin 2 is used 2 times/);
});
