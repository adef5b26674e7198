import { formatQuantity } from '../../quantity/format';
import { LOGIC_SHARE } from '../../part/addressable';
import { driverOf } from '../../document/aspect-record';
import { readsOnes } from '../../study/string-run';
import { driverOn } from '../../study/begin-driven';
import { draftOf, hasString, movingOf, studyOf } from './moving';
import { rule } from '../finding';
import type { Driven } from '../../document/aspect-record';

/** Data lines longer than this are better not run without care (common practice, no source). */
const LONG_MILLIMETRES = 1000;
const DATA_OHMS = 330;
const START_FARADS = 1000e-6;
/** Lamps from which on a reservoir at the start is usual (common practice, no source). */
const MANY_LAMPS = 8;

/** A string that nothing sends its colours, or whose ones its first lamp may not read. */
export const stringLogic = rule({
  id: 'string-logic',
  needs: ['highest'],
  about: hasString,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { job, jobId, supply } = bench;
    const { string } = movingOf(bench);
    const { name, shifter } = string!;
    const driver = driverOf(job);
    if (driver?.kind !== 'pins')
      return [
        {
          id: 'string-logic',
          severity: 'stop' as const,
          title: `${name}: nothing sends its colours`,
          sentence: `It has ${string!.count} lamps and 0 pins that send data.`,
          reason: 'An addressable string shows what a program sends it; switches and flashers send nothing.',
          paths: [['jobs', jobId, 'driver']],
          terminals: [],
          figures: [{ is: 0, limit: 1, unit: 'pieces' as const }],
          cures: [
            {
              label: 'Pins of a small computer',
              recipe: (draft) => {
                const own = draft.jobs[jobId] as unknown as Driven;
                own.driver = driverOn('pins', supply, Object.keys(job.lamps).length);
              },
            },
          ],
        },
      ];
    const { is, wants, sure } = readsOnes(
      shifter ? string!.supplyVolts : driver.volts,
      moving.string!.run.lamps[0].volts,
    );
    if (sure) return [];
    return [
      {
        id: 'string-logic',
        severity: 'mind' as const,
        title: `${name}: its first lamp may not read the pin`,
        sentence: `A one is ${formatQuantity(is, 'volt')}; the first lamp is sure of one from ${formatQuantity(wants, 'volt')} on, ${100 * LOGIC_SHARE} % of its own volts.`,
        reason:
          'It may work on the bench and flicker on a warm evening. A level shifter lifts the ones to the string’s own volts.',
        paths: [['jobs', jobId, 'string', 'shifter']],
        terminals: [],
        figures: [{ is, limit: wants, unit: 'volt' as const }],
        cures: [
          {
            label: 'A level shifter in the data line',
            recipe: (draft) => void (draftOf(draft, jobId).string!.shifter = true),
          },
        ],
      },
    ];
  },
});

/** What is usual at the start of a string and missing. */
export const stringStart = rule({
  id: 'string-start',
  needs: ['laid'],
  about: hasString,
  judge(bench) {
    const { jobId } = bench;
    const { name, dataOhms, dataMillimetres, farads, count } = movingOf(bench).string!;
    const lacks = [
      ...(dataOhms === 0 ? ['no resistor in the data line'] : []),
      ...(farads === 0 && count >= MANY_LAMPS ? ['no reservoir at its start'] : []),
      ...(dataMillimetres > LONG_MILLIMETRES
        ? [`${formatQuantity(dataMillimetres, 'millimetre')} of data wire before its first lamp`]
        : []),
    ];
    if (lacks.length === 0) return [];
    const long = dataMillimetres > LONG_MILLIMETRES;
    return [
      {
        id: 'string-start',
        severity: 'note' as const,
        title: `${name}: ${lacks[0]}`,
        sentence: `It has ${lacks.join(' and ')}; usual are ${formatQuantity(DATA_OHMS, 'ohm')}, ${formatQuantity(START_FARADS, 'farad')} from ${MANY_LAMPS} lamps on, and ${formatQuantity(LONG_MILLIMETRES, 'millimetre')} at most.`,
        reason:
          'The resistor keeps edges from ringing back, the reservoir takes the jolt of switching on, and a long first wire picks up what the track sends out.',
        paths: [['jobs', jobId, 'string']],
        terminals: [],
        figures: long
          ? [{ is: dataMillimetres, limit: LONG_MILLIMETRES, unit: 'millimetre' as const }]
          : [{ is: dataOhms, limit: DATA_OHMS, unit: 'ohm' as const }],
        cures: [
          {
            label: 'As is usual',
            recipe: (draft) => {
              const own = draftOf(draft, jobId).string!;
              if (own.dataOhms === 0) own.dataOhms = DATA_OHMS;
              if (own.farads === 0 && own.count >= MANY_LAMPS) own.farads = START_FARADS;
              own.dataMillimetres = Math.min(own.dataMillimetres, LONG_MILLIMETRES);
            },
          },
        ],
      },
    ];
  },
});
