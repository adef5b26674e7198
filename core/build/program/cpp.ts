import { movingEffects, type MovingEffectName } from '../../supply/drivers/effects';
import { written, type WholeWriter } from '../../supply/drivers/effects/whole';
import { ROW_MICROSECONDS } from '../../supply/drivers/matrix';
import { checkedForProgram, headLines, type ProgramMatrix, type ProgramWiring } from './board';
import type { Timeline } from '../../supply/drivers/timeline';

const writer: WholeWriter = {
  two(op, a, b) {
    const signs = { plus: '+', minus: '-', times: '*', over: '/', rest: '%' } as const;
    if (op in signs) return `(${a} ${signs[op as keyof typeof signs]} ${b})`;
    if (op === 'below') return `(int32_t)(${a} < ${b})`;
    return `${{ least: 'lesser', most: 'greater', noise: 'noise' }[op as 'least' | 'most' | 'noise']}(${a}, ${b})`;
  },
  choose: (test, then, other) => `(${test} ? (int32_t)${then} : (int32_t)${other})`,
};
/** Numbers as 32 bits wide: a bare one is 16 on small boards. */
const wide = (text: string): string => text.replace(/(?<![\w.])(\d+)(?![\w.])/g, '$1L');

/**
 * The program of a time line in C++ with the usual two functions, `setup` once and `loop` over and over.
 * The string's bits are sent by counted cycles on 16 MHz AVR boards; elsewhere by a function
 * `sendByte` that the board's own file gives.
 * @throws ProgramError when a pin is used twice, the budget is exceeded, or the time line is not sound
 */
export function cpp(timeline: Timeline, wiring: ProgramWiring): string {
  const checked = checkedForProgram(timeline, wiring);
  const used = [...new Set(timeline.clips.map((c) => c.effect))] as MovingEffectName[];
  const { matrix } = wiring;
  const hasString = wiring.stringPin !== null && timeline.lamps > 0;
  const all = timeline.groups.flatMap((g) => g.lamps);
  let first = 0;
  const groups = timeline.groups.map((g) => {
    const row = `  {${g.kind === 'string' ? 1 : 0}, ${first}, ${g.lamps.length}},`;
    first += g.lamps.length;
    return row;
  });
  const none = (rows: readonly string[], empty: string): readonly string[] =>
    rows.length > 0 ? rows : [empty];
  const numbers = (of: readonly number[]): string => (of.length > 0 ? of.join(', ') : '0');
  return [
    ...headLines(checked).map((line) => (line === '' ? '//' : `// ${line}`)),
    '',
    '#include <stdint.h>',
    '#ifdef __AVR__',
    '#include <avr/io.h>',
    '#include <avr/interrupt.h>',
    '#include <avr/pgmspace.h>',
    '#define FLASH PROGMEM  // tables stay out of the small memory',
    '#else',
    '#include <string.h>',
    '#define FLASH',
    '#define memcpy_P memcpy',
    '#endif',
    'template <typename T> T from(const T *at) {',
    '  T it;',
    '  memcpy_P(&it, at, sizeof(T));',
    '  return it;',
    '}',
    '',
    `const uint32_t FRAME_MS = ${timeline.frameMilliseconds};`,
    `const int32_t LASTS_MS = ${timeline.lastsMilliseconds}L;`,
    `const uint16_t CAP = ${Math.floor((timeline.capPercent * 256) / 100)};  // of 256`,
    `const uint16_t CHANNELS = ${timeline.channels};`,
    `const uint16_t LAMPS = ${timeline.lamps};`,
    `const bool DARK = ${wiring.litBy === 'low' ? 'HIGH' : 'LOW'};  // what a pin is told when its lamp is dark`,
    ...(matrix
      ? [
          `const uint8_t ROWS[] FLASH = {${numbers(matrix.rowPins)}};`,
          `const uint8_t COLUMNS[] FLASH = {${numbers(matrix.columnPins)}};`,
          `const uint8_t CROSSINGS[] FLASH = {${numbers(matrix.crossings)}};  // of each channel, along the rows from 0`,
          `const uint8_t ROW_COUNT = ${matrix.rowPins.length};`,
          `const uint8_t COLUMN_COUNT = ${matrix.columnPins.length};`,
          `const uint32_t ROW_US = ${ROW_MICROSECONDS};`,
        ]
      : []),
    `const int16_t PIN_COUNT = ${wiring.channelPins.length};`,
    `const uint8_t PINS[] FLASH = {${numbers(wiring.channelPins)}};`,
    `const uint8_t PULSED[] FLASH = {${numbers(wiring.channelPins.map((pin) => (wiring.pulsePins.includes(pin) ? 1 : 0)))}};  // 1: any level, 0: on or off`,
    '',
    'struct Group { uint8_t string; uint16_t first; uint16_t count; };',
    'struct Scene { uint8_t group; int32_t begin; int32_t end; uint8_t effect; int32_t p; int32_t q; int32_t r; uint8_t colour[3]; int32_t seed; };',
    '',
    '// Numbers of the lamps, group after group.',
    `const uint16_t MEMBERS[] FLASH = {${numbers(all)}};`,
    'const Group GROUPS[] FLASH = {',
    ...none(groups, '  {0, 0, 0},'),
    '};',
    `const uint8_t GROUP_COUNT = ${timeline.groups.length};`,
    '',
    '// The same two numbers always give the same noise, 0 to 255.',
    'int32_t noise(int32_t a, int32_t b) {',
    '  uint32_t h = (uint32_t)a * 0x9E3779B1UL + (uint32_t)b * 0x85EBCA77UL;',
    '  h = (h ^ (h >> 15)) * 0x2C1B3C6DUL;',
    '  h = h ^ (h >> 12);',
    '  return (int32_t)(h >> 24);',
    '}',
    'int32_t lesser(int32_t a, int32_t b) { return a < b ? a : b; }',
    'int32_t greater(int32_t a, int32_t b) { return a > b ? a : b; }',
    '',
    '// Effects: t milliseconds into the scene, lamp i of n, seed s, colour c (0 red, 1 green, 2 blue).',
    'int32_t levelOf(uint8_t effect, int32_t t, int32_t i, int32_t n, int32_t s, int32_t c, int32_t p, int32_t q, int32_t r) {',
    '  (void)t; (void)i; (void)n; (void)s; (void)c; (void)p; (void)q; (void)r;',
    '  switch (effect) {',
    ...used.flatMap((name, k) => [
      `    case ${k}:  // ${movingEffects[name].name}: ${movingEffects[name].says}`,
      `      return ${wide(written(movingEffects[name].level, writer))};`,
    ]),
    '  }',
    '  return 0;',
    '}',
    '',
    '// Scenes: group, from, to, effect, its figures p q r, red green blue, seed.',
    'const Scene SCENES[] FLASH = {',
    ...none(
      timeline.clips.map((clip, k) => {
        const group = timeline.groups.findIndex((g) => g.id === clip.group);
        const [p = 0, q = 0, r = 0] = clip.parameters;
        return `  {${group}, ${clip.fromMilliseconds}L, ${clip.toMilliseconds}L, ${used.indexOf(clip.effect)}, ${p}L, ${q}L, ${r}L, {${clip.colour.join(', ')}}, ${(timeline.seed + 101 * k) % 65_536}L},`;
      }),
      '  {255, 0, 0, 0, 0, 0, 0, {0, 0, 0}, 0},',
    ),
    '};',
    `const uint16_t SCENE_COUNT = ${timeline.clips.length};`,
    '',
    'uint8_t frame[CHANNELS + 3 * LAMPS + 1];',
    '',
    '// Fills the levels of all channels, then red, green and blue of every lamp.',
    'void tick(int32_t now) {',
    '  for (uint16_t k = 0; k < CHANNELS + 3 * LAMPS; k++) frame[k] = 0;',
    '  int32_t at = now % LASTS_MS;',
    '  for (uint8_t g = 0; g < GROUP_COUNT; g++) {',
    '    Scene scene = from(&SCENES[0]);',
    '    bool on = false;',
    '    for (uint16_t k = 0; k < SCENE_COUNT; k++) {',
    '      Scene other = from(&SCENES[k]);',
    '      if (other.group != g || at < other.begin || at >= other.end) continue;',
    '      scene = other;',
    '      on = true;',
    '    }',
    '    if (!on) continue;',
    '    Group group = from(&GROUPS[g]);',
    '    int32_t n = group.count;',
    '    for (int32_t i = 0; i < n; i++) {',
    '      uint16_t lamp = from(&MEMBERS[group.first + i]);',
    ...(hasString
      ? [
          '      if (group.string) {',
          '        for (uint8_t c = 0; c < 3; c++) {',
          '          int32_t level = levelOf(scene.effect, at - scene.begin, i, n, scene.seed, c, scene.p, scene.q, scene.r);',
          '          frame[CHANNELS + 3 * lamp + c] = (uint8_t)(((level * scene.colour[c] / 255) * CAP) >> 8);',
          '        }',
          '        continue;',
          '      }',
        ]
      : []),
    '      int32_t level = levelOf(scene.effect, at - scene.begin, i, n, scene.seed, 0, scene.p, scene.q, scene.r);',
    '      frame[lamp] = (uint8_t)((level * CAP) >> 8);',
    '    }',
    '  }',
    '}',
    '',
    ...(hasString ? stringLines(wiring) : []),
    'void show() {',
    '  for (int16_t k = 0; k < PIN_COUNT; k++) {',
    '    if (from(&PULSED[k])) analogWrite(from(&PINS[k]), DARK ? 255 - frame[k] : frame[k]);',
    '    else digitalWrite(from(&PINS[k]), frame[k] > 127 ? !DARK : DARK);',
    '  }',
    ...(hasString ? ['  sendString();'] : []),
    '}',
    '',
    ...(matrix ? matrixLines(matrix) : []),
    'int32_t now = 0;',
    'uint32_t due = 0;',
    '',
    'void setup() {',
    '  for (int16_t k = 0; k < PIN_COUNT; k++) pinMode(from(&PINS[k]), OUTPUT);',
    ...(hasString ? [`  pinMode(${wiring.stringPin!}, OUTPUT);`] : []),
    '  due = millis();',
    '}',
    '',
    matrix ? 'void step() {' : 'void loop() {',
    '  if ((int32_t)(millis() - due) < 0) return;',
    '  due += FRAME_MS;',
    '  tick(now);',
    '  show();',
    '  now += FRAME_MS;',
    '  if (now >= LASTS_MS) now -= LASTS_MS;',
    '}',
    '',
    ...(matrix ? ['void loop() {', '  step();', '  scan();', '}', ''] : []),
  ].join('\n');
}

/** Lights the lamps of one row after the other: all that was on goes first, so that nothing shines into the next. */
function matrixLines({ transistors }: ProgramMatrix): readonly string[] {
  const off = (pin: string): string =>
    transistors ? `{ pinMode(${pin}, OUTPUT); digitalWrite(${pin}, LOW); }` : `pinMode(${pin}, INPUT);`;
  return [
    'void light(uint8_t row) {',
    `  for (uint8_t r = 0; r < ROW_COUNT; r++) ${off('from(&ROWS[r])')}`,
    `  for (uint8_t c = 0; c < COLUMN_COUNT; c++) ${off('from(&COLUMNS[c])')}`,
    '  for (uint16_t k = 0; k < CHANNELS; k++) {',
    '    uint8_t at = from(&CROSSINGS[k]);',
    '    if (at / COLUMN_COUNT != row || frame[k] <= 127) continue;',
    '    uint8_t column = from(&COLUMNS[at % COLUMN_COUNT]);',
    '    pinMode(column, OUTPUT);',
    `    digitalWrite(column, ${transistors ? 'HIGH' : 'LOW'});`,
    '    pinMode(from(&ROWS[row]), OUTPUT);',
    '    digitalWrite(from(&ROWS[row]), HIGH);',
    '  }',
    '}',
    '',
    'uint8_t row = 0;',
    'uint32_t turned = 0;',
    'void scan() {',
    '  if (micros() - turned < ROW_US) return;',
    '  turned += ROW_US;',
    '  light(row);',
    '  row = (uint8_t)((row + 1) % ROW_COUNT);',
    '}',
    '',
  ];
}

/**
 * Sends the string's bytes: on AVR at 16 MHz by counted cycles, high for 0.375 us for a zero and 0.75 for a
 * one. Between two bytes the line stays low a little longer, far below what latches.
 */
function stringLines(wiring: ProgramWiring): string[] {
  const [one, two] = wiring.colourOrder === 'grb' ? [1, 0] : [0, 1];
  return [
    '#ifdef __AVR__',
    '// 62.5 ns a cycle: high for 6 for a zero, 12 for a one; 19 or 20 a bit. Interrupts wait meanwhile.',
    'void sendByte(volatile uint8_t *port, uint8_t high, uint8_t low, uint8_t value) {',
    '  uint8_t bits = 8;',
    '  asm volatile(',
    '    "1: st %a[port], %[high]\\n"       // 2  the line goes high',
    '    "   nop\\n   nop\\n   nop\\n"      // 3',
    '    "   sbrs %[value], 7\\n"           // 1, 2 where it skips',
    '    "   st %a[port], %[low]\\n"        // 2  a zero goes low here',
    '    "   lsl %[value]\\n"               // 1',
    '    "   nop\\n   nop\\n   nop\\n   nop\\n"  // 4',
    '    "   st %a[port], %[low]\\n"        // 2  a one goes low here',
    '    "   nop\\n   nop\\n"               // 2',
    '    "   dec %[bits]\\n"                // 1',
    '    "   brne 1b\\n"                    // 2 while there are more',
    '    : [value] "+r"(value), [bits] "+r"(bits)',
    '    : [port] "e"(port), [high] "r"(high), [low] "r"(low));',
    '}',
    '#else',
    '// Given by the board’s own file: sends eight bits, the highest first.',
    'void sendByte(uint8_t pin, uint8_t value);',
    '#endif',
    '',
    'void sendString() {',
    '#ifdef __AVR__',
    `  volatile uint8_t *port = portOutputRegister(digitalPinToPort(${wiring.stringPin!}));`,
    `  uint8_t mask = digitalPinToBitMask(${wiring.stringPin!});`,
    '  uint8_t kept = SREG;',
    '  cli();',
    '  uint8_t high = *port | mask;',
    '  uint8_t low = *port & (uint8_t)~mask;',
    '#endif',
    '  for (uint16_t k = 0; k < LAMPS; k++) {',
    '    const uint8_t *lamp = frame + CHANNELS + 3 * k;',
    `    const uint8_t order[] = {${one}, ${two}, 2};`,
    '    for (uint8_t c = 0; c < 3; c++) {',
    '#ifdef __AVR__',
    '      sendByte(port, high, low, lamp[order[c]]);',
    '#else',
    `      sendByte(${wiring.stringPin!}, lamp[order[c]]);`,
    '#endif',
    '    }',
    '  }',
    '#ifdef __AVR__',
    '  SREG = kept;',
    '#endif',
    '}',
    '',
  ];
}
