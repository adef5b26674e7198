import { formatQuantity } from '../../../core/quantity/format';
import { eyeSteps, type RigLight } from '../../../core/overhead/light';
import { duvWords } from '../../../core/light/white';
import type { Layout } from '../../../core/document/layout';
import type { RigRecord } from '../../../core/document/rig-record';

interface LightFiguresProps {
  readonly layout: Layout;
  readonly rig: RigRecord;
  readonly light: RigLight;
}

const lux = (figure: number): string => formatQuantity(figure, 'lux', { significant: 3 });

/** The light in a few figures. */
export function LightFigures({ rig, light }: LightFiguresProps) {
  const steps = Math.round(eyeSteps(light.meanLux, rig.wanted.lux));
  const [worst] = [...light.joints].sort((a, b) => a.lux / a.besideLux - b.lux / b.besideLux);
  const alone = worst?.alone ? Math.min(worst.alone.left, worst.alone.right) : null;
  const figures: readonly (readonly [string, string, string])[] = [
    [
      'Mean',
      lux(light.meanLux),
      `${lux(rig.wanted.lux)} wanted, ${steps === 0 ? 'met' : `${Math.abs(steps)} ${Math.abs(steps) === 1 ? 'step' : 'steps'} ${steps < 0 ? 'darker' : 'brighter'}`}`,
    ],
    ['Least', lux(light.leastLux), `${Math.round((100 * light.leastLux) / light.meanLux)} % of the mean`],
    ['Front edge', lux(light.frontLux), ''],
    ...(worst
      ? ([
          ['At joints', lux(worst.lux), `${Math.round((100 * worst.lux) / worst.besideLux)} % of beside`],
        ] as const)
      : []),
    ...(alone === null
      ? []
      : ([['One module alone', lux(alone), 'at the joint; its neighbour gives the rest']] as const)),
    ...(light.backsceneLux === null
      ? []
      : ([['Backscene', lux(light.backsceneLux), 'as it stands']] as const)),
    ['White', `${Math.round(light.white.kelvin / 10) * 10} K`, `Duv ${duvWords(light.white.duv)}`],
    ...(light.shadow
      ? ([
          ['Shadows', light.shadow.words, `edge of ${light.shadow.penumbraMillimetres.toFixed(1)} mm`],
        ] as const)
      : []),
    ...(light.besideLux > 0
      ? ([
          [
            'Rigs beside',
            lux(light.besideLux),
            `${Math.round((100 * light.besideLux) / light.meanLux)} % of all`,
          ],
        ] as const)
      : []),
    ...(rig.room.lux > 0
      ? ([['The room’s own', lux(rig.room.lux), `${Math.round(100 * light.roomShare)} % of all`]] as const)
      : []),
  ];
  return (
    <dl className="rig-figures" aria-label="The light in figures">
      {figures.map(([name, figure, says]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>
            {figure} <small>{says}</small>
          </dd>
        </div>
      ))}
    </dl>
  );
}
