import { useState, type ReactNode } from 'react';
import { formatQuantity } from '../../../core/quantity/format';
import { LEAST_SHARE } from '../../../core/overhead/limits';
import { bandingPercent, type RigPower } from '../../../core/overhead/power';
import { litRows } from '../../../core/overhead/geometry';
import { FigureTable } from '../../fields/figure-table';
import { SelectField } from '../../fields/select-field';
import type { RigRecord } from '../../../core/document/rig-record';

const shutters = [30, 60, 125, 250, 500, 1000];
const share = (of: number): string => `${Math.round(100 * of)} %`;

/** What guards the feed wire, in words. */
function guardWords({ guard, wireBearsAmps }: RigPower): string {
  const bears = formatQuantity(wireBearsAmps, 'amp');
  if (guard.by === 'supply')
    return ` The wire bears ${bears}, which the supply never gives: it needs no fuse.`;
  if (guard.by === 'fuse')
    return ` A quick fuse of ${formatQuantity(guard.amps, 'amp')} at the supply, in its plus.`;
  return ` No fuse fits between what flows and the ${bears} that the wire bears.`;
}

/** What a rig takes, row by row, and what its copper leaves of the light. */
export function PowerFigures({
  rig,
  power,
  children,
}: {
  readonly rig: RigRecord;
  readonly power: RigPower | null;
  /** What can be done with it, beneath. */
  readonly children?: ReactNode;
}) {
  const [shutter, setShutter] = useState(125);
  if (!power)
    return (
      <p className="field-refusal">A row has no answer along its copper: look at its volts and length.</p>
    );
  const least = Math.min(1, ...litRows(rig).map((r) => r.level));
  return (
    <div>
      <p>
        <b>{formatQuantity(power.supplyAmps, 'amp')}</b> of {formatQuantity(power.limitAmps, 'amp')} at{' '}
        {formatQuantity(rig.supply.volts, 'volt')}, {formatQuantity(power.watts, 'watt')}, everything at full.
        {guardWords(power)}
        {power.moduleFuseAmps !== null &&
          ` One of ${formatQuantity(power.moduleFuseAmps, 'amp')} for each module.`}
        {power.plugAmps !== null && ` Through the first plug ${formatQuantity(power.plugAmps, 'amp')}.`}
      </p>
      {power.feed.ohms > 0 && (
        <p>
          {formatQuantity(power.feed.ohms, 'ohm')} of feed wire leave{' '}
          {formatQuantity(power.feed.volts, 'volt')} at the rows
          {power.feed.leastVolts < power.feed.volts &&
            `, ${formatQuantity(power.feed.leastVolts, 'volt')} at the last module`}
          : {share(power.feed.lightShare)} of their light.
        </p>
      )}
      <FigureTable
        label="What each row takes"
        rows={power.rows}
        rowKey={(r) => r.rowId}
        mark={(r) => (r.leastShare < LEAST_SHARE ? 'lacks' : '')}
        columns={[
          ['Row', (r) => rig.rows[r.rowId].name],
          ['Lit', (r) => `${r.metres.toFixed(2)} m`],
          ['Takes', (r) => `${formatQuantity(r.amps, 'amp')}, ${formatQuantity(r.watts, 'watt')}`],
          ['Of its light', (r) => share(r.meanShare)],
          ['Far end', (r) => share(r.leastShare)],
          ['Warmer by', (r) => `${Math.round(r.warmerKelvin)} K`],
        ]}
      />
      {power.converters.length > 0 && (
        <FigureTable
          label="Step-down converters"
          rows={power.converters}
          rowKey={(c) => String(c.volts)}
          columns={[
            ['Converter to', (c) => formatQuantity(c.volts, 'volt')],
            [
              'Takes',
              (c) => `${formatQuantity(c.inAmps, 'amp')} at ${formatQuantity(rig.supply.volts, 'volt')}`,
            ],
            ['Gives', (c) => `${formatQuantity(c.outAmps, 'amp')} at ${formatQuantity(c.volts, 'volt')}`],
            ['Heat', (c) => formatQuantity(c.lostWatts, 'watt')],
          ]}
        />
      )}
      {power.pulsed && (
        <>
          <p>
            Dimmed by {formatQuantity(power.pulsed.hertz, 'hertz')}: {power.pulsed.percent} % modulation, low
            risk{' '}
            {Number.isFinite(power.pulsed.lowRiskPercent)
              ? `up to ${Math.round(power.pulsed.lowRiskPercent)} %`
              : 'at any'}{' '}
            (IEEE 1789).
          </p>
          <div className="rig-beside">
            <SelectField<number>
              label="Photographed at"
              value={shutter}
              options={shutters.map((s) => ({ value: s, label: `1/${s} s` }))}
              onChange={setShutter}
            />
          </div>
          <p>
            Bands in the picture: {bandingPercent(power.pulsed.hertz, least, 1 / shutter).toFixed(1)} %
            between dark and light.
          </p>
        </>
      )}
      {children}
    </div>
  );
}
