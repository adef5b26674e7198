import { avrInstruction, CPU } from 'avr8js';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from 'vitest';
import { cpp } from '../../core/build/program/cpp';
import { laidOut } from '../../core/supply/drivers/laid-out';
import { carousel, carouselWiring } from '../timelines';

/** A small board's clock. */
const HERTZ = 16e6;
/** Data addresses of the port the string hangs on, and its bit (ATmega328P data sheet, register summary). */
const PORTB = 0x25;
const BIT = 1;
/** Program memory of it, in words. */
const WORDS = 0x4000;
const START_OF_RAM = 0x100;
const RAM_BYTES = 2048;

/** Usual timings of the data wire, in seconds (from memory, common practice): high for a zero and a one, low after each, and how far off they may be. */
const HIGH = [0.4e-6, 0.8e-6] as const;
const LOW = [0.85e-6, 0.45e-6] as const;
const OFF = 0.15e-6;
/** Between two bytes a low may be longer, far below what latches. */
const BETWEEN_BYTES = 5e-6;
const LATCHES = 50e-6;

const BOARD = `
#include <stdint.h>
#include <avr/io.h>
enum { LOW = 0, HIGH = 1, OUTPUT = 1 };
#define digitalPinToPort(pin) 0
#define portOutputRegister(port) (&PORTB)
#define digitalPinToBitMask(pin) ${BIT}
static uint32_t clock_ms = 0;
static void pinMode(int, int) { DDRB |= ${BIT}; }
static void digitalWrite(int, int) {}
static void analogWrite(int, int) {}
static uint32_t millis() { return clock_ms; }
`;

const compiler = ((): boolean => {
  try {
    execFileSync('avr-g++', ['--version'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
})();

/** Moments at which the data wire rises and falls, in seconds, while so many frames are sent. */
function waveform(source: string, frames: number): { at: number; up: boolean }[] {
  const folder = mkdtempSync(join(tmpdir(), 'waveform-'));
  const [file, elf, bin] = ['program.cpp', 'program.elf', 'program.bin'].map((name) => join(folder, name));
  const main = `
int main() {
  setup();
  for (uint8_t k = 0; k < ${frames}; k++) { loop(); clock_ms += FRAME_MS; }
  GPIOR0 = 1;
  for (;;) {}
}
`;
  writeFileSync(file, BOARD + source + main);
  execFileSync('avr-g++', ['-std=gnu++11', '-mmcu=atmega328p', '-Os', `-DF_CPU=${HERTZ}UL`, file, '-o', elf]);
  execFileSync('avr-objcopy', ['-O', 'binary', elf, bin]);
  const code = new Uint16Array(WORDS);
  const bytes = readFileSync(bin);
  expect(bytes.length).toBeLessThan(2 * WORDS);
  bytes.forEach((b, i) => (code[i >> 1] |= b << (8 * (i & 1))));
  rmSync(folder, { recursive: true, force: true });
  const cpu = new CPU(code, RAM_BYTES + START_OF_RAM);
  const edges: { at: number; up: boolean }[] = [];
  let before = 0;
  cpu.writeHooks[PORTB] = (value: number) => {
    const up = (value & BIT) !== 0;
    if (up !== (before !== 0)) edges.push({ at: cpu.cycles / HERTZ, up });
    before = up ? 1 : 0;
    return false;
  };
  const done = 0x3e;
  for (let steps = 0; cpu.data[done] === 0; steps++) {
    if (steps > 400e6) throw new Error('the board does not come to an end');
    avrInstruction(cpu);
  }
  return edges;
}

describe.skipIf(!compiler)('the data wire of the exported program on a small board at 16 MHz', () => {
  const FRAMES = 4;
  let edges: { at: number; up: boolean }[] = [];
  beforeAll(() => {
    edges = waveform(cpp(carousel, carouselWiring), FRAMES);
  }, 120_000);

  test('decodes to the preview’s bits, each within the usual timings', () => {
    const fill = laidOut(carousel);
    const frame = new Uint8Array(carousel.channels + 3 * carousel.lamps);
    const wanted = Array.from({ length: FRAMES }, (_, k) => {
      fill(k * carousel.frameMilliseconds, frame);
      return Array.from({ length: carousel.lamps }, (__, l) => {
        const at = carousel.channels + 3 * l;
        return [frame[at + 1], frame[at], frame[at + 2]];
      }).flat();
    }).flat();
    const bits: number[] = [];
    for (let k = 0; k < edges.length; k += 2) {
      expect(edges[k].up).toBe(true);
      const high = edges[k + 1].at - edges[k].at;
      const bit = high > (HIGH[0] + HIGH[1]) / 2 ? 1 : 0;
      expect(Math.abs(high - HIGH[bit])).toBeLessThanOrEqual(OFF);
      bits.push(bit);
      const next = edges.at(k + 2);
      if (!next) continue;
      const low = next.at - edges[k + 1].at;
      if (bits.length % 8 !== 0) expect(Math.abs(low - LOW[bit])).toBeLessThanOrEqual(OFF);
      else if (bits.length % (24 * carousel.lamps) !== 0) expect(low).toBeLessThan(BETWEEN_BYTES);
      else expect(low).toBeGreaterThan(LATCHES);
    }
    const bytes = Array.from({ length: bits.length / 8 }, (_, k) =>
      bits.slice(8 * k, 8 * k + 8).reduce((sum, b) => 2 * sum + b, 0),
    );
    expect(bytes).toEqual(wanted);
    expect(Math.max(...bytes)).toBeGreaterThan(0);
  });

  test('a frame is worked out and sent in less time than it lasts', () => {
    const starts = edges.flatMap((e, k) => (k > 0 && e.at - edges[k - 1].at > LATCHES ? [e.at] : []));
    expect(starts).toHaveLength(FRAMES - 1);
    for (let k = 1; k < starts.length; k++)
      expect(1000 * (starts[k] - starts[k - 1])).toBeLessThan(carousel.frameMilliseconds);
  });
});
