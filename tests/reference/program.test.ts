import { loadMicroPython } from '@micropython/micropython-webassembly-pyscript';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { cpp } from '../../core/build/program/cpp';
import { microPython } from '../../core/build/program/micropython';
import { type Timeline } from '../../core/supply/drivers/timeline';
import { laidOut } from '../../core/supply/drivers/laid-out';
import { carousel, carouselWiring, generatedTimeline } from '../timelines';
import { has } from './compilers';
import type { ProgramWiring } from '../../core/build/program/board';

/** A number for many bytes that differs when one of them does: FNV-1a on 32 bits. */
const START = 0x811c9dc5;
const mixed = (hash: number, byte: number): number => Math.imul(hash ^ byte, 0x01000193) >>> 0;

/** What a board's pins are told in a frame: each plain pin, then the string's bytes in the order they are sent. */
function sent(timeline: Timeline, wiring: ProgramWiring, frame: Uint8Array): number[] {
  const dark = wiring.litBy === 'low' ? 1 : 0;
  const pins = wiring.channelPins.map((pin, k) => {
    if (wiring.pulsePins.includes(pin)) return dark ? 255 - frame[k] : frame[k];
    return frame[k] > 127 ? 1 - dark : dark;
  });
  const [one, two] = wiring.colourOrder === 'grb' ? [1, 0] : [0, 1];
  const string = Array.from({ length: timeline.lamps }, (_, k) => {
    const at = timeline.channels + 3 * k;
    return [frame[at + one], frame[at + two], frame[at + 2]];
  }).flat();
  return [...pins, ...string];
}

/** The preview's frames, each as a number, and all of them together. */
function preview(timeline: Timeline, wiring: ProgramWiring, frames: number): { each: number[]; all: number } {
  const fill = laidOut(timeline);
  const frame = new Uint8Array(timeline.channels + 3 * timeline.lamps);
  let all = START;
  const each = Array.from({ length: frames }, (_, k) => {
    fill(k * timeline.frameMilliseconds, frame);
    let own = START;
    for (const byte of sent(timeline, wiring, frame)) {
      own = mixed(own, byte);
      all = mixed(all, byte);
    }
    return own;
  });
  return { each, all };
}

/** Stand-ins for a board’s modules, which only record what its pins are told. */
const PYTHON_BOARD = `
import sys
told = []
class Module: pass
class Pin:
    OUT = 1
    def __init__(self, number, mode=0): self.number = number
    def value(self, v): told.append(v)
class PWM:
    def __init__(self, pin): pass
    def freq(self, hertz): pass
    def duty_u16(self, v): told.append(v // 257)
class NeoPixel:
    # As the module of the interpreter's own library: green first.
    ORDER = (1, 0, 2)
    def __init__(self, pin, n): self.buf = bytearray(3 * n)
    def __setitem__(self, k, v):
        for c in range(3): self.buf[3 * k + self.ORDER[c]] = v[c]
    def write(self):
        for b in self.buf: told.append(b)
machine = Module(); machine.Pin = Pin; machine.PWM = PWM
neopixel = Module(); neopixel.NeoPixel = NeoPixel
clock = Module(); clock.at = 0
def sleep_ms(ms): clock.at += ms
clock.ticks_ms = lambda: clock.at
clock.ticks_add = lambda a, b: a + b
clock.ticks_diff = lambda a, b: a - b
clock.sleep_ms = sleep_ms
sys.modules['machine'] = machine
sys.modules['neopixel'] = neopixel
sys.modules['time'] = clock
`;

/** Runs a program on the real interpreter, frame by frame, and says what its pins were told. */
async function runPython(
  source: string,
  frames: number,
  frameMs: number,
): Promise<{ each: number[]; all: number }> {
  const python = await loadMicroPython({ heapsize: 16 * 1024 * 1024 });
  python.runPython(PYTHON_BOARD);
  python.runPython(source.replace(/if __name__ == '__main__':\n {4}run\(\)\n/, ''));
  python.runPython(`
each = []
all_of = ${START}
frame = bytearray(CHANNELS + 3 * LAMPS)
for k in range(${frames}):
    told.clear()
    tick(k * ${frameMs} % LASTS_MS, frame)
    show(frame)
    own = ${START}
    for b in told:
        own = ((own ^ b) * 0x01000193) & 0xFFFFFFFF
        all_of = ((all_of ^ b) * 0x01000193) & 0xFFFFFFFF
    each.append(own)
# And as the board runs it: by its own loop, on its own clock.
told.clear()
run(3)
`);
  // Its numbers come over with a sign.
  return {
    each: [...(python.globals.get('each') as Iterable<number>)].map((n) => n >>> 0),
    all: (python.globals.get('all_of') as number) >>> 0,
  };
}

/** A stand-in for a board in C++: pins that only record, and a clock that goes on when it is asked. */
const CPP_BOARD = `
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
enum { LOW = 0, HIGH = 1, OUTPUT = 1 };
static uint32_t own, all = ${START}u, clock_ms = 0;
static void told(uint8_t b) { own = (own ^ b) * 0x01000193u; all = (all ^ b) * 0x01000193u; }
static void pinMode(int, int) {}
static void digitalWrite(int, int v) { told((uint8_t)v); }
static void analogWrite(int, int v) { told((uint8_t)v); }
static uint32_t millis() { return clock_ms; }
void sendByte(uint8_t, uint8_t value) { told(value); }
`;

describe('the exported program sends what the preview shows', () => {
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'program-'));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  /** Compiles a program with the system's compiler against the stand-in, warnings as errors, and runs it for so many frames. */
  function runCpp(source: string, frames: number): { each: number[]; all: number } {
    const [file, program] = [join(folder, 'program.cpp'), join(folder, 'program')];
    const main = `
int main(int, char **argv) {
  long frames = atol(argv[1]);
  setup();
  for (long k = 0; k < frames; k++) {
    own = ${START}u;
    loop();
    clock_ms += FRAME_MS;
    printf("%u\\n", own);
  }
  printf("%u\\n", all);
}
`;
    writeFileSync(file, CPP_BOARD + source + main);
    execFileSync('g++', [
      '-std=c++11',
      '-O1',
      '-Wall',
      '-Wextra',
      '-Werror',
      '-Wno-unused-function',
      '-fsanitize=undefined',
      '-fno-sanitize-recover=all',
      file,
      '-o',
      program,
    ]);
    const lines = execFileSync(program, [String(frames)], { maxBuffer: 64 * 1024 * 1024, encoding: 'utf8' })
      .trim()
      .split('\n')
      .map(Number);
    return { each: lines.slice(0, -1), all: lines[lines.length - 1] };
  }
  const HOUR_FRAMES = 3_600_000 / carousel.frameMilliseconds;
  const hour = preview(carousel, carouselWiring, HOUR_FRAMES);

  test.skipIf(!has('g++'))('C++, an hour of the carousel, every frame', () => {
    const is = runCpp(cpp(carousel, carouselWiring), HOUR_FRAMES);
    expect(is.each).toHaveLength(90_000);
    expect(is.all).toBe(hour.all);
    expect(is.each).toEqual(hour.each);
  });

  test('MicroPython, every frame of the time line on the real interpreter; an hour repeats it', async () => {
    // The time line lasts 98 s: an hour of it is the same 2,450 frames 36 times over, as the preview shows.
    const frames = carousel.lastsMilliseconds / carousel.frameMilliseconds;
    const is = await runPython(microPython(carousel, carouselWiring), frames, carousel.frameMilliseconds);
    expect(is.each).toEqual(hour.each.slice(0, frames));
    for (let k = frames; k < HOUR_FRAMES; k++)
      if (hour.each[k] !== hour.each[k % frames]) throw new Error(`frame ${k} does not repeat`);
  });

  const wiringOf = (of: Timeline): ProgramWiring => ({
    ...carouselWiring,
    name: 'Généré */ # \n "x"',
    channelPins: Array.from({ length: of.channels }, (_, k) => 10 + k),
    pulsePins: [11, 13],
    channelAmps: [],
    colourOrder: of.seed % 2 === 0 ? 'grb' : 'rgb',
    limitAmps: 5,
    stringLimitAmps: 5,
    litBy: of.seed % 3 === 0 ? 'low' : 'high',
  });
  test.each(fc.sample(generatedTimeline, { numRuns: 12, seed: 61 }).map((of, i) => [i, of] as const))(
    'time line %d of any effects with any parameters, in both languages',
    async (_, of) => {
      const wiring = wiringOf(of);
      const frames = 300;
      // Every twelfth frame, over the whole of it.
      const slow = { ...of, frameMilliseconds: 12 * of.frameMilliseconds };
      const shown = preview(slow, wiring, frames);
      if (has('g++')) expect(runCpp(cpp(slow, wiring), frames).each).toEqual(shown.each);
      expect((await runPython(microPython(slow, wiring), frames, slow.frameMilliseconds)).each).toEqual(
        shown.each,
      );
    },
  );

  test('stands by itself: MicroPython imports its standard modules alone, C++ includes only what comes with the compiler', () => {
    const python = microPython(carousel, carouselWiring);
    expect([...python.matchAll(/^(?:import|from) (\w+)/gm)].map((m) => m[1]).sort()).toEqual([
      'machine',
      'neopixel',
      'time',
    ]);
    const source = cpp(carousel, carouselWiring);
    expect([...source.matchAll(/#include <([\w./]+)>/g)].map((m) => m[1])).toEqual([
      'stdint.h',
      'avr/io.h',
      'avr/interrupt.h',
      'avr/pgmspace.h',
      'string.h',
    ]);
    for (const text of [python, source]) {
      expect(text).toContain('Pin   What hangs on it');
      expect(text).toMatch(/The string draws at most \d+ mA/);
      expect(text).toContain('8     data of the string, 24 lamps, GRB');
    }
    expect(readFileSync(new URL('../../core/build/program/cpp.ts', import.meta.url), 'utf8')).not.toContain(
      'http',
    );
  });
});
