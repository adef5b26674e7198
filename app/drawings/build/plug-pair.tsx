import { plugSvg, usedOfDecoder, type PlugSide } from '../../../core/build/drawing/plug-svg';
import { Drawn } from './drawn';
import type { Assembly } from '../../../core/assembly/assembly';
import type { Plug } from '../../../core/part/plug';
import './build.css';

const sides: readonly (readonly [side: PlugSide, title: string, says: string])[] = [
  ['above', 'From above', 'the side the decoder is pushed in from'],
  ['solder', 'Solder side', 'mirrored: the side you solder'],
];

/** A decoder's plug from both its sides, the pins in use ringed. */
export function PlugPair({ plug, assembly }: { readonly plug: Plug; readonly assembly: Assembly }) {
  const used = usedOfDecoder(assembly);
  return (
    <div className="plug-pair">
      {sides.map(([side, title, says]) => (
        <figure key={side} className={plug.columns > 8 ? 'plug wide' : 'plug'}>
          <Drawn svg={plugSvg(plug, side, used)} />
          <figcaption>
            <b>{title}</b> {says}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
