import { renderHook } from '@testing-library/react';
import { expect, test } from 'vitest';
import { useSame } from './use-same';

test('a value is kept for as long as what comes says the same', () => {
  const first = { lit: true, keys: ['F1', 'F2'] };
  const { result, rerender } = renderHook(({ value }) => useSame(value), { initialProps: { value: first } });
  expect(result.current).toBe(first);
  rerender({ value: { lit: true, keys: ['F1', 'F2'] } });
  expect(result.current).toBe(first);
  const other = { lit: true, keys: ['F2', 'F1'] };
  rerender({ value: other });
  expect(result.current).toBe(other);
  rerender({ value: first });
  expect(result.current).toBe(first);
});
