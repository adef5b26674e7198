import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import { emptyLayout } from '../../../core/document/empty-layout';
import { change } from '../../../core/document/patch';
import { usualSupply } from '../../../core/document/usual-supply';
import { useLayoutStore } from '../../store/layout-store';
import { SupplyFields } from '.';

afterEach(cleanup);

test('a reversing pulse is typed as RMS, as units have it printed, and kept and told as its peak too', () => {
  const layout = change(emptyLayout('Saltmarsh Halt'), (draft) => {
    draft.supplies.ac = { ...usualSupply('ac-track', 'H0', 1), reversingPulseVolts: 20 } as never;
  }).layout;
  useLayoutStore.getState().open(layout);
  const now = () => useLayoutStore.getState().layout!.supplies.ac;
  const { rerender } = render(<SupplyFields supplyId="ac" supply={now()} />);
  const field = screen.getByLabelText(/^Reversing pulse, RMS/);
  fireEvent.change(field, { target: { value: '24' } });
  fireEvent.blur(field);
  expect(now()).toMatchObject({ reversingPulseVolts: 24 * Math.SQRT2 });
  rerender(<SupplyFields supplyId="ac" supply={now()} />);
  expect(screen.getByText('33.9 V peak')).toBeDefined();
});
