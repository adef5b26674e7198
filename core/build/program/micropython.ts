import { movingEffects, type MovingEffectName } from '../../supply/drivers/effects';
import { written, type WholeWriter } from '../../supply/drivers/effects/whole';
import { ROW_MICROSECONDS } from '../../supply/drivers/matrix';
import { checkedForProgram, headLines, type ProgramMatrix, type ProgramWiring } from './board';
import type { Timeline } from '../../supply/drivers/timeline';

const writer: WholeWriter = {
  two(op, a, b) {
    const signs = { plus: '+', minus: '-', times: '*', over: '//', rest: '%' } as const;
    if (op in signs) return `(${a} ${signs[op as keyof typeof signs]} ${b})`;
    if (op === 'below') return `(1 if ${a} < ${b} else 0)`;
    return `${{ least: 'min', most: 'max', noise: 'noise' }[op as 'least' | 'most' | 'noise']}(${a}, ${b})`;
  },
  choose: (test, then, other) => `(${then} if ${test} else ${other})`,
};

const tuple = (of: readonly (number | string)[]): string => `(${of.join(', ')}${of.length === 1 ? ',' : ''})`;

/**
 * The program of a time line for a small computer that runs MicroPython, with nothing but its standard
 * modules `machine`, `neopixel` and `time`.
 * @throws ProgramError when a pin is used twice, the budget is exceeded, or the time line is not sound
 */
export function microPython(timeline: Timeline, wiring: ProgramWiring): string {
  const checked = checkedForProgram(timeline, wiring);
  const used = [...new Set(timeline.clips.map((c) => c.effect))] as MovingEffectName[];
  const { matrix } = wiring;
  const hasString = wiring.stringPin !== null && timeline.lamps > 0;
  const clips = timeline.clips.map((clip, k) => {
    const group = timeline.groups.findIndex((g) => g.id === clip.group);
    const [p = 0, q = 0, r = 0] = clip.parameters;
    return `    (${group}, ${clip.fromMilliseconds}, ${clip.toMilliseconds}, ${functionName(clip.effect)}, ${p}, ${q}, ${r}, ${tuple(clip.colour)}, ${(timeline.seed + 101 * k) % 65_536}),`;
  });
  return [
    ...headLines(checked).map((line) => (line === '' ? '#' : `# ${line}`)),
    '',
    'import time',
    `from machine import ${['Pin', ...(wiring.pulsePins.length > 0 ? ['PWM'] : [])].join(', ')}`,
    ...(hasString ? ['import neopixel'] : []),
    '',
    `FRAME_MS = ${timeline.frameMilliseconds}`,
    `LASTS_MS = ${timeline.lastsMilliseconds}`,
    `CAP = ${Math.floor((timeline.capPercent * 256) / 100)}  # of 256`,
    `CHANNELS = ${timeline.channels}`,
    `LAMPS = ${timeline.lamps}`,
    `DARK = ${wiring.litBy === 'low' ? 1 : 0}  # what a pin is told when its lamp is dark`,
    ...(matrix
      ? [
          `ROWS = ${tuple(matrix.rowPins)}`,
          `COLUMNS = ${tuple(matrix.columnPins)}`,
          `CROSSINGS = ${tuple(matrix.crossings)}  # of each channel, along the rows from 0`,
          `ROW_US = ${ROW_MICROSECONDS}`,
        ]
      : []),
    `PINS = ${tuple(wiring.channelPins)}`,
    `PULSED = ${tuple(wiring.channelPins.map((pin) => (wiring.pulsePins.includes(pin) ? 1 : 0)))}  # 1: any level, 0: on or off`,
    '',
    '# Groups: 1 for the string or 0 for channels, and the numbers of their lamps.',
    'GROUPS = (',
    ...timeline.groups.map((g) => `    (${g.kind === 'string' ? 1 : 0}, ${tuple(g.lamps)}),`),
    ')',
    '',
    '',
    '# The same two numbers always give the same noise, 0 to 255.',
    'def noise(a, b):',
    '    h = (a * 0x9E3779B1 + b * 0x85EBCA77) & 0xFFFFFFFF',
    '    h = ((h ^ (h >> 15)) * 0x2C1B3C6D) & 0xFFFFFFFF',
    '    h = h ^ (h >> 12)',
    '    return h >> 24',
    '',
    '',
    '# Effects: t milliseconds into the scene, lamp i of n, seed s, colour c (0 red, 1 green, 2 blue).',
    ...used.flatMap((name) => [
      `def ${functionName(name)}(t, i, n, s, c, p, q, r):`,
      `    # ${movingEffects[name].name}: ${movingEffects[name].says}`,
      `    return ${written(movingEffects[name].level, writer)}`,
      '',
      '',
    ]),
    '# Scenes: group, from, to, effect, its figures p q r, red green blue, seed.',
    'SCENES = (',
    ...clips,
    ')',
    '',
    '',
    '# Fills the levels of all channels, then red, green and blue of every lamp.',
    'def tick(now, frame):',
    '    for k in range(len(frame)):',
    '        frame[k] = 0',
    '    at = now % LASTS_MS',
    '    for g in range(len(GROUPS)):',
    '        string, lamps = GROUPS[g]',
    '        scene = None',
    '        for s in SCENES:',
    '            if s[0] == g and s[1] <= at < s[2]:',
    '                scene = s',
    '        if scene is None:',
    '            continue',
    '        _, begin, _, effect, p, q, r, colour, seed = scene',
    '        n = len(lamps)',
    '        for i in range(n):',
    '            if string:',
    '                first = CHANNELS + 3 * lamps[i]',
    '                for c in range(3):',
    '                    level = effect(at - begin, i, n, seed, c, p, q, r)',
    '                    frame[first + c] = (level * colour[c] // 255) * CAP >> 8',
    '            else:',
    '                frame[lamps[i]] = effect(at - begin, i, n, seed, 0, p, q, r) * CAP >> 8',
    '',
    '',
    ...(matrix ? matrixLines(matrix) : []),
    'outputs = []',
    'for k in range(len(PINS)):',
    ...(wiring.pulsePins.length > 0
      ? [
          '    if PULSED[k]:',
          '        pwm = PWM(Pin(PINS[k], Pin.OUT))',
          '        pwm.freq(1000)',
          '        outputs.append(pwm)',
          '    else:',
          '        outputs.append(Pin(PINS[k], Pin.OUT))',
        ]
      : ['    outputs.append(Pin(PINS[k], Pin.OUT))']),
    ...(hasString ? [`strip = neopixel.NeoPixel(Pin(${wiring.stringPin!}, Pin.OUT), LAMPS)`] : []),
    '',
    '',
    'def show(frame):',
    '    for k in range(len(PINS)):',
    ...(wiring.pulsePins.length > 0
      ? [
          '        if PULSED[k]:',
          '            outputs[k].duty_u16((255 - frame[k] if DARK else frame[k]) * 257)',
          '        else:',
          '            outputs[k].value(1 - DARK if frame[k] > 127 else DARK)',
        ]
      : ['        outputs[k].value(1 - DARK if frame[k] > 127 else DARK)']),
    ...(hasString
      ? [
          '    for k in range(LAMPS):',
          '        j = CHANNELS + 3 * k',
          // The module itself sends green first; a string that takes red first gets them changed over.
          wiring.colourOrder === 'grb'
            ? '        strip[k] = (frame[j], frame[j + 1], frame[j + 2])'
            : '        strip[k] = (frame[j + 1], frame[j], frame[j + 2])',
          '    strip.write()',
        ]
      : []),
    '',
    '',
    'def run(frames=None):',
    '    frame = bytearray(CHANNELS + 3 * LAMPS)',
    '    now = 0',
    '    due = time.ticks_ms()',
    '    while frames is None or now < frames * FRAME_MS:',
    '        tick(now, frame)',
    '        show(frame)',
    '        now += FRAME_MS',
    '        if now >= LASTS_MS * 64:',
    '            now -= LASTS_MS * 64  # stays small; LASTS_MS repeats',
    '        due = time.ticks_add(due, FRAME_MS)',
    ...(matrix
      ? [
          '        # A row after the other until the next frame is due.',
          '        row = 0',
          '        while time.ticks_diff(due, time.ticks_ms()) > 0:',
          '            light(row, frame)',
          '            time.sleep_us(ROW_US)',
          '            row = (row + 1) % len(ROWS)',
        ]
      : [
          '        wait = time.ticks_diff(due, time.ticks_ms())',
          '        if wait > 0:',
          '            time.sleep_ms(wait)',
        ]),
    '',
    '',
    "if __name__ == '__main__':",
    '    run()',
    '',
  ].join('\n');
}

const functionName = (name: MovingEffectName): string => name.replace(/-/g, '_');

/** Lights the lamps of one row: all that was on goes first, so that nothing shines into the next. */
function matrixLines({ transistors }: ProgramMatrix): readonly string[] {
  const made = transistors ? 'Pin(n, Pin.OUT, value=0)' : 'Pin(n, Pin.IN)';
  const off = transistors ? 'pin.value(0)' : 'pin.init(Pin.IN)';
  const on = (pin: string, value: number): string =>
    transistors ? `${pin}.value(1)` : `${pin}.init(Pin.OUT, value=${value})`;
  return [
    `rows = [${made} for n in ROWS]`,
    `columns = [${made} for n in COLUMNS]`,
    '',
    '',
    'def light(row, frame):',
    '    for pin in rows:',
    `        ${off}`,
    '    for pin in columns:',
    `        ${off}`,
    '    for k in range(CHANNELS):',
    '        if CROSSINGS[k] // len(COLUMNS) == row and frame[k] > 127:',
    `            ${on('columns[CROSSINGS[k] % len(COLUMNS)]', 0)}`,
    `            ${on('rows[row]', 1)}`,
    '',
    '',
  ];
}
