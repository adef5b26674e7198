import { Alert, Button, Upload } from 'antd';
import { useMemo, useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { arrived } from '../../../core/overhead/arrival';
import { rigLight, type RigLight } from '../../../core/overhead/light';
import { dimRows, matchOf } from '../../../core/overhead/match';
import { compareCards, type CardPhoto, type ComparedCards, type Exposure } from '../../../core/light/camera';
import { formatQuantity } from '../../../core/quantity/format';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { readPhoto } from './read-photo';
import type { Layout } from '../../../core/document/layout';

interface CompareLightsProps {
  readonly layout: Layout;
  readonly rigId: string;
  readonly light: RigLight;
}

/** The light that was liked, the parcel that came, and two photographs of a white card. */
export function CompareLights(props: CompareLightsProps) {
  return (
    <div className="rig-compare">
      <MatchLiked {...props} />
      <CheckArrival {...props} />
      <CompareCards />
    </div>
  );
}

const STEP = 25;

/** What gives here the light that another rig gave. */
function MatchLiked({ layout, rigId, light }: CompareLightsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const others = inOrder(layout.rigs).filter((r) => r.id !== rigId);
  const [likedId, setLiked] = useState<string | undefined>(others[0]?.id);
  const rig = layout.rigs[rigId];
  const liked = likedId !== undefined && Object.hasOwn(layout.rigs, likedId) ? layout.rigs[likedId] : null;
  const { boards } = layout;
  const likedLux = useMemo(
    () => (liked ? rigLight({ boards }, liked, { stepMillimetres: STEP }).meanLux : 0),
    [boards, liked],
  );
  const match = liked && matchOf(rig, light, likedLux);
  return (
    <section>
      <h3 className="part-head">Match what was liked</h3>
      {others.length === 0 ? (
        <p className="hint">
          Enter the old rig as another rig, with its lamps and its height: what it gave comes of that.
        </p>
      ) : (
        <>
          <SelectField
            label="The rig that looked right"
            value={likedId}
            options={others.map((r) => ({ value: r.id, label: r.name }))}
            onChange={setLiked}
          />
          {match && (
            <p>
              It gives {formatQuantity(match.wantedLux, 'lux')}, this one{' '}
              {formatQuantity(match.hasLux, 'lux')}:{' '}
              {match.level !== null
                ? `dimmed to ${Math.round(100 * match.level)} % it is the same.`
                : `it takes ${match.times.toFixed(1)} times the light, ${match.more} more ${match.more === 1 ? 'row' : 'rows'} like ${rig.rows[match.ofRow!].name}.`}
            </p>
          )}
          {match && match.level !== null && (
            <Button
              onClick={() => edit('Dimmed to match', (draft) => dimRows(draft.rigs[rigId], match.level!))}
            >
              Dim to match
            </Button>
          )}
        </>
      )}
    </section>
  );
}

/** What a strip really gives, from amperes and lux. */
function CheckArrival({ layout, rigId }: CompareLightsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const rig = layout.rigs[rigId];
  const rows = inOrder(rig.rows).filter((r) => r.form !== 'spot');
  const [rowId, setRow] = useState<string | undefined>(rows[0]?.id);
  const row = rowId !== undefined && Object.hasOwn(rig.rows, rowId) ? rig.rows[rowId] : null;
  const [measured, setMeasured] = useState({
    millimetres: 1000,
    amps: 0.4,
    lux: 0,
    distanceMillimetres: 400,
  });
  if (!row || rowId === undefined) return null;
  const came = arrived(row, { ...measured, lux: measured.lux > 0 ? measured.lux : null });
  return (
    <section>
      <h3 className="part-head">Check on arrival</h3>
      <SelectField
        label="The strip of"
        value={rowId}
        options={rows.map((r) => ({ value: r.id, label: r.name }))}
        onChange={setRow}
      />
      <div className="two-fields">
        <NumberField
          label="A piece of"
          unit="millimetre"
          figure={measured.millimetres}
          limits={{ least: 10, most: 10_000 }}
          onCommit={(millimetres) => setMeasured({ ...measured, millimetres })}
        />
        <NumberField
          label={`takes, at ${row.volts} V`}
          unit="amp"
          figure={measured.amps}
          limits={{ least: 0.001, most: 20 }}
          onCommit={(amps) => setMeasured({ ...measured, amps })}
        />
        <NumberField
          label="Lux under its middle"
          unit="lux"
          figure={measured.lux}
          limits={{ least: 0, most: 100_000 }}
          aside="0: not measured"
          onCommit={(lux) => setMeasured({ ...measured, lux })}
        />
        <NumberField
          label="at a distance of"
          unit="millimetre"
          figure={measured.distanceMillimetres}
          limits={{ least: 20, most: 3000 }}
          onCommit={(distanceMillimetres) => setMeasured({ ...measured, distanceMillimetres })}
        />
      </div>
      <p>
        It takes {formatQuantity(came.wattsPerMetre, 'watt')} a metre, {Math.round(100 * came.wattsShare)} %
        of what its bag says
        {came.lumensPerMetre !== null &&
          `, and gives ${formatQuantity(came.lumensPerMetre, 'lumen')} a metre, ${Math.round(100 * came.lumensShare!)} %`}
        .
      </p>
      <Button
        onClick={() =>
          edit(`${row.name} as measured`, (draft) => {
            const own = draft.rigs[rigId].rows[rowId];
            own.watts = Math.min(200, Math.max(0.1, came.wattsPerMetre));
            if (came.lumensPerMetre !== null) own.lumens = Math.min(10_000, Math.max(1, came.lumensPerMetre));
          })
        }
      >
        Take what was measured
      </Button>
    </section>
  );
}

type Side = 'first' | 'second';

/** For files that tell none: only that they are the same for both matters. */
const SAME_SETTINGS: Exposure = { seconds: 1 / 60, fNumber: 4, iso: 200, fixedWhite: null };

/** Two photographs of a white card: how much dimmer, how much bluer. They never leave the browser. */
function CompareCards() {
  const [photos, setPhotos] = useState<
    Partial<Record<Side, { readonly name: string; readonly photo: CardPhoto }>>
  >({});
  const [failure, setFailure] = useState<string | null>(null);
  const take = async (side: Side, file: File): Promise<void> => {
    try {
      const photo = await readPhoto(file, SAME_SETTINGS);
      setPhotos((now) => ({ ...now, [side]: { name: file.name, photo } }));
      setFailure(null);
    } catch (error) {
      setFailure(error instanceof Error ? error.message : String(error));
    }
  };
  const compared: ComparedCards | null =
    photos.first && photos.second ? compareCards(photos.first.photo, photos.second.photo) : null;
  return (
    <section>
      <h3 className="part-head">Two photographs of a white card</h3>
      <p className="hint">
        The card fills the middle; the camera is set by hand, its white held at daylight, the same for both. A
        file that tells no settings is taken at that word. The pictures stay in this browser.
      </p>
      <div className="button-row">
        {(['first', 'second'] as const).map((side) => (
          <Upload
            key={side}
            accept="image/*"
            maxCount={1}
            showUploadList={false}
            beforeUpload={(file) => {
              void take(side, file);
              return false;
            }}
          >
            <Button>{photos[side]?.name ?? `The ${side} light`}</Button>
          </Upload>
        ))}
      </div>
      {failure && <Alert type="error" title={failure} />}
      {compared &&
        (compared.ok ? (
          <p>
            The second light is {Math.round(100 * compared.comparison.light)} % of the first, give or take{' '}
            {Math.round(100 * compared.comparison.lightError)} %;{' '}
            {Math.round(compared.comparison.second.kelvin)} K against{' '}
            {Math.round(compared.comparison.first.kelvin)} K, {compared.comparison.difference.toFixed(4)}{' '}
            apart in u′v′, give or take {compared.comparison.differenceError.toFixed(4)}.
          </p>
        ) : (
          <Alert type="warning" title={compared.reason} />
        ))}
    </section>
  );
}
