import { contactSorts, type ContactSort } from '../../../core/supply/drivers/contacts';
import { driverKind } from '../../../core/supply/drivers';
import { pinLimits } from '../../../core/supply/drivers/pins';
import { setDriver } from '../../../core/study/begin-driven';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { BoardFields } from './board-fields';
import { drivenIn } from './driven-in';
import type { Layout } from '../../../core/document/layout';
import type { DriverRecord } from '../../../core/document/driver-record';
import type { Driven } from '../../../core/document/aspect-record';
import type { UnitName } from '../../../core/quantity/unit';

interface DriverFieldsProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly driver: NonNullable<Driven['driver']>;
}

const OHMS = { least: 10, most: 1e7, range: '10 Ω to 10 MΩ' };
const FARADS = { least: 1e-10, most: 0.01, range: '100 pF to 10 000 µF' };
const AMPS = { least: 0.001, most: 5, range: '1 mA to 5 A' };

/** The figures of what switches the lamps, by its kind. */
export function DriverFields({ layout, jobId, driver }: DriverFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const set = <K extends DriverRecord['kind']>(
    kind: K,
    label: string,
    recipe: (own: Extract<DriverRecord, { kind: K }>) => void,
  ): void =>
    edit(label, (draft) => {
      const own = drivenIn(draft, jobId).driver;
      if (own?.kind === kind) recipe(own as Extract<DriverRecord, { kind: K }>);
    });
  const put = (label: string, next: DriverRecord): void =>
    edit(label, (draft) => setDriver(layout, drivenIn(draft, jobId), next));
  const figure = (
    label: string,
    unit: UnitName,
    is: number,
    limits: { readonly least: number; readonly most: number; readonly range: string },
    onCommit: (v: number) => void,
  ) => <NumberField label={label} unit={unit} figure={is} limits={limits} onCommit={onCommit} />;
  const rate = (perMinute: number, onCommit: (v: number) => void) => (
    <CountField
      label="Flashes a minute, each lamp"
      count={Math.round(perMinute)}
      least={1}
      most={600}
      onCommit={onCommit}
    />
  );
  const fields = (): React.ReactNode => {
    switch (driver.kind) {
      case 'contacts':
        return (
          <>
            <SelectField<ContactSort>
              label="Contacts"
              value={driver.sort}
              options={(Object.keys(contactSorts) as ContactSort[]).map((id) => ({
                value: id,
                label: contactSorts[id].name,
              }))}
              onChange={(sort) =>
                edit('Contacts', (draft) =>
                  setDriver(layout, drivenIn(draft, jobId), {
                    ...driver,
                    sort,
                    ways: Math.min(driver.ways, contactSorts[sort].mostWays),
                  }),
                )
              }
            />
            <div className="two-fields">
              <CountField
                label="Places"
                count={driver.ways}
                least={1}
                most={contactSorts[driver.sort].mostWays}
                onCommit={(n) => set('contacts', 'Places', (d) => void (d.ways = n))}
              />
              <CountField
                label="Decks or poles"
                count={driver.decks}
                least={1}
                most={4}
                onCommit={(n) => set('contacts', 'Decks', (d) => void (d.decks = n))}
              />
            </div>
            <CheckField
              label="Makes before it breaks"
              checked={driver.makesFirst}
              onChange={(on) => set('contacts', 'Makes first', (d) => void (d.makesFirst = on))}
            />
          </>
        );
      case 'accessory-pairs':
        return (
          <>
            <CountField
              label="Addresses, a pair each"
              count={driver.addresses}
              least={1}
              most={8}
              onCommit={(n) => set('accessory-pairs', 'Addresses', (d) => void (d.addresses = n))}
            />
            <div className="two-fields">
              {figure('An output bears', 'amp', driver.limitAmps, AMPS, (v) =>
                set('accessory-pairs', 'Limit', (d) => void (d.limitAmps = v)),
              )}
              {figure('All of them', 'amp', driver.totalAmps, AMPS, (v) =>
                set('accessory-pairs', 'Limit of all', (d) => void (d.totalAmps = v)),
              )}
            </div>
          </>
        );
      case 'accessory-reversing':
        return (
          <>
            <CountField
              label="Addresses, two wires each"
              count={driver.addresses}
              least={1}
              most={8}
              onCommit={(n) => set('accessory-reversing', 'Addresses', (d) => void (d.addresses = n))}
            />
            <div className="two-fields">
              {figure('An address bears', 'amp', driver.limitAmps, AMPS, (v) =>
                set('accessory-reversing', 'Limit', (d) => void (d.limitAmps = v)),
              )}
              {figure('All of them', 'amp', driver.totalAmps, AMPS, (v) =>
                set('accessory-reversing', 'Limit of all', (d) => void (d.totalAmps = v)),
              )}
            </div>
          </>
        );
      case 'alternating':
        return (
          <>
            {rate(driver.perMinute, (v) => set('alternating', 'Rate', (d) => void (d.perMinute = v)))}
            <CheckField
              label="It can show its outputs steady"
              checked={driver.steadyToo}
              onChange={(on) => set('alternating', 'Steady too', (d) => void (d.steadyToo = on))}
            />
            {figure('An output bears', 'amp', driver.limitAmps, AMPS, (v) =>
              set('alternating', 'Limit', (d) => void (d.limitAmps = v)),
            )}
          </>
        );
      case 'flasher':
        return (
          <>
            {(['one', 'other'] as const).map((half) => (
              <div key={half} className="two-fields">
                {figure(
                  half === 'one' ? 'First half: resistor' : 'Other half: resistor',
                  'ohm',
                  driver[half].ohms,
                  OHMS,
                  (v) => set('flasher', 'Base resistor', (d) => void (d[half].ohms = v)),
                )}
                {figure('Capacitor', 'farad', driver[half].farads, FARADS, (v) =>
                  set('flasher', 'Capacitor', (d) => void (d[half].farads = v)),
                )}
              </div>
            ))}
            <CheckField
              label="A diode before each base"
              aside="above 5 V a base is pulled backwards further than it bears"
              checked={driver.baseDiodes}
              onChange={(on) => set('flasher', 'Base diodes', (d) => void (d.baseDiodes = on))}
            />
          </>
        );
      case 'timer':
        return (
          <>
            <div className="two-fields">
              {figure('Resistor A', 'ohm', driver.ohmsA, OHMS, (v) =>
                set('timer', 'Resistor A', (d) => void (d.ohmsA = v)),
              )}
              {figure('Resistor B', 'ohm', driver.ohmsB, OHMS, (v) =>
                set('timer', 'Resistor B', (d) => void (d.ohmsB = v)),
              )}
            </div>
            {figure('Capacitor', 'farad', driver.farads, FARADS, (v) =>
              set('timer', 'Capacitor', (d) => void (d.farads = v)),
            )}
          </>
        );
      case 'matrix':
        return (
          <>
            <PinFields driver={driver} onDriver={put} />
            <div className="two-fields">
              <CountField
                label="Rows"
                count={driver.rows}
                least={2}
                most={8}
                onCommit={(rows) => put('Rows', { ...driver, rows })}
              />
              <CountField
                label="Columns"
                count={driver.columns}
                least={1}
                most={8}
                onCommit={(columns) => put('Columns', { ...driver, columns })}
              />
            </div>
            {rate(driver.perMinute, (v) => set('matrix', 'Rate', (d) => void (d.perMinute = v)))}
            <p className="hint">
              One row is on at a time: a lamp is lit for one part in {driver.rows}, and carries as much more
              while it is.
            </p>
          </>
        );
      case 'pins':
        return (
          <>
            <PinFields driver={driver} onDriver={put} />
            {!driver.transistors && driver.switches === 'minus' && (
              <CommonField driver={driver} onDriver={put} />
            )}
            <div className="two-fields">
              <CountField
                label="Pins"
                count={driver.count}
                least={1}
                most={40}
                onCommit={(n) => set('pins', 'Pins', (d) => void (d.count = n))}
              />
              {rate(driver.perMinute, (v) => set('pins', 'Rate', (d) => void (d.perMinute = v)))}
            </div>
          </>
        );
    }
  };
  const perMinute = driverKind(driver).perMinute(driver);
  const { feed } = driver;
  return (
    <>
      {fields()}
      {(driver.kind === 'accessory-pairs' ||
        driver.kind === 'accessory-reversing' ||
        driver.kind === 'alternating') && <BoardFields driver={driver} onDriver={put} />}
      {perMinute !== null && (driver.kind === 'flasher' || driver.kind === 'timer') && (
        <p className="hint">
          By the usual sum (0.69 R C a half): <code>{perMinute.toFixed(0)}</code> flashes a minute, each lamp.
        </p>
      )}
      <More label="What stands before it" open={false}>
        <CheckField
          label="A bridge of its own"
          aside="where its supply changes sides"
          checked={feed.bridge}
          onChange={(on) =>
            edit('Bridge', (draft) => {
              const own = drivenIn(draft, jobId).driver;
              if (own) own.feed.bridge = on;
            })
          }
        />
        <NumberField
          label="Reservoir before it"
          unit="farad"
          figure={feed.farads}
          limits={{ least: 0, most: 0.1, range: '0 to 100 000 µF' }}
          onCommit={(v) =>
            edit('Reservoir', (draft) => {
              const own = drivenIn(draft, jobId).driver;
              if (own) own.feed.farads = v;
            })
          }
        />
      </More>
    </>
  );
}

interface CommonFieldProps {
  readonly driver: Extract<DriverRecord, { kind: 'pins' }>;
  readonly onDriver: (label: string, next: DriverRecord) => void;
}

/** Where the plus that the lamps share is joined. */
function CommonField({ driver, onDriver }: CommonFieldProps) {
  const board = `the board’s ${driver.volts} V`;
  return (
    <SelectField<'assumed' | 'board' | 'feed'>
      label="Common plus of the lamps"
      value={driver.commonAt ?? 'assumed'}
      options={[
        ...(driver.commonAt ? [] : [{ value: 'assumed' as const, label: `${board} (assumed)` }]),
        { value: 'board', label: board },
        { value: 'feed', label: 'the plus that feeds the board' },
      ]}
      onChange={(commonAt) => {
        if (commonAt !== 'assumed') onDriver('Plus of the lamps', { ...driver, commonAt });
      }}
    />
  );
}

interface PinFieldsProps {
  readonly driver: Extract<DriverRecord, { kind: 'pins' | 'matrix' }>;
  readonly onDriver: (label: string, next: DriverRecord) => void;
}

/** Volts of the pins of a small computer, and whether a transistor stands behind each. */
function PinFields({ driver, onDriver }: PinFieldsProps) {
  return (
    <>
      <Choice<'3.3' | '5'>
        label="A pin that is high"
        columns={2}
        options={[
          { value: '3.3', name: '3.3 V', figure: 'newer boards' },
          { value: '5', name: '5 V', figure: 'older boards' },
        ]}
        value={String(driver.volts) as '3.3' | '5'}
        onChoose={(v) => {
          const volts = v === '5' ? 5 : 3.3;
          onDriver('Volts of a pin', { ...driver, volts, ...pinLimits[volts] });
        }}
      />
      <CheckField
        label="A transistor behind each pin"
        aside="lamps from the supply, 100 mA each"
        checked={driver.transistors}
        onChange={(on) => onDriver('Transistors', { ...driver, transistors: on })}
      />
    </>
  );
}
