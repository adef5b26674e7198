import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { isDriven } from '../../../core/document/aspect-record';
import { ProgramError } from '../../../core/build/program/board';
import { cpp } from '../../../core/build/program/cpp';
import { microPython } from '../../../core/build/program/micropython';
import {
  pinNames,
  timelineOfAspects,
  wiringOfPins,
  wiringOfScene,
} from '../../../core/build/program/of-aspects';
import { isMoving } from '../../../core/document/moving-record';
import { timelineOf } from '../../../core/study/play';
import { driverKind } from '../../../core/supply/drivers';
import { CircuitError } from '../../../core/circuit/error';
import { CountField } from '../../fields/count-field';
import { SelectField } from '../../fields/select-field';
import { saveFile } from '../../storage/files';
import type { PictureProps } from '../../kinds/face';
import './aspects.css';

type Language = 'micropython' | 'cpp';
const languages = {
  micropython: { name: 'MicroPython', ending: 'py', write: microPython },
  cpp: { name: 'C++', ending: 'cpp', write: cpp },
} as const;
const ALL = 'all-in-turn';
/** Pins that most small boards leave free, from here on. */
const FIRST_PIN = 2;

type Made = { readonly source: string } | { readonly refusals: readonly string[] };

/** What a program is to show, on which pins, in which language. */
interface Wish {
  readonly show: string;
  readonly pins: readonly number[];
  readonly stringPin: number;
  readonly language: Language;
}

/** The program of a time line, or one that shows an aspect, or all in turn; or what speaks against making one. */
function written(bench: PictureProps['solved']['bench'], { show, pins, stringPin, language }: Wish): Made {
  const { job } = bench;
  if (!isDriven(job) || !job.driver) return { refusals: ['nothing drives it'] };
  const { write } = languages[language];
  try {
    if (isMoving(job))
      return {
        source: write(timelineOf(job), wiringOfScene({ ...bench, job }, pins, stringPin, language)),
      };
    const perMinute = driverKind(job.driver).perMinute(job.driver) ?? 60;
    const asked = show === ALL ? inOrder(job.aspects).map((a) => a.id) : [show];
    return { source: write(timelineOfAspects(job, asked, perMinute), wiringOfPins(bench, pins)) };
  } catch (error) {
    if (error instanceof ProgramError) return { refusals: error.reasons };
    if (error instanceof CircuitError) return { refusals: [error.message] };
    throw error;
  }
}

/** The program for the small computer whose pins drive the lamps: what it shows, on which pins, in which language. */
export function ProgramPicture({ solved }: PictureProps) {
  const { bench } = solved;
  const { job } = bench;
  const [language, setLanguage] = useState<Language>('micropython');
  const [shows, setShows] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Readonly<Record<number, number>>>({});
  const named = isDriven(job) ? pinNames(job) : [];
  const pins = named.map((_, k) => chosen[k] ?? FIRST_PIN + k);
  const aspects = isDriven(job) ? inOrder(job.aspects) : [];
  const show = shows ?? aspects[0]?.id ?? ALL;
  const [stringChosen, setStringPin] = useState<number | null>(null);
  const stringPin = stringChosen ?? FIRST_PIN + named.length;
  const moving = isMoving(job) ? job : null;
  const made = written(bench, { show, pins, stringPin, language });
  const file = `${job.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.${languages[language].ending}`;
  return (
    <div className="program">
      <div className="two-fields">
        {!moving && (
          <SelectField<string>
            label="It shows"
            value={show}
            options={[
              ...aspects.map((a) => ({ value: a.id, label: a.name })),
              { value: ALL, label: 'every aspect in turn, four seconds each' },
            ]}
            onChange={setShows}
          />
        )}
        {moving?.string && (
          <CountField
            label="Data of the string on pin"
            count={stringPin}
            least={0}
            most={99}
            onCommit={setStringPin}
          />
        )}
        {named.map((name, k) => (
          <CountField
            key={name}
            label={`${name} on pin`}
            count={pins[k]}
            least={0}
            most={99}
            onCommit={(pin) => setChosen({ ...chosen, [k]: pin })}
          />
        ))}
      </div>
      <div className="program-bar">
        <Segmented<Language>
          aria-label="Language"
          options={(Object.keys(languages) as Language[]).map((id) => ({
            value: id,
            label: languages[id].name,
          }))}
          value={language}
          onChange={setLanguage}
        />
        <Button
          type="primary"
          disabled={!('source' in made)}
          onClick={() => 'source' in made && saveFile(file, made.source, 'text/plain')}
        >
          Save {file}
        </Button>
      </div>
      {'source' in made ? (
        <pre className="program-source" tabIndex={0} aria-label={`Program in ${languages[language].name}`}>
          {made.source}
        </pre>
      ) : (
        <ul className="field-refusal" role="alert">
          {made.refusals.map((r) => (
            <li key={r}>No program is made: {r}.</li>
          ))}
        </ul>
      )}
    </div>
  );
}
