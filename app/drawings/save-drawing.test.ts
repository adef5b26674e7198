import { afterEach, expect, test, vi } from 'vitest';
import { saveDrawings, standalone } from './save-drawing';
import * as files from '../storage/files';

afterEach(() => {
  document.body.replaceChildren();
  vi.restoreAllMocks();
});

function drawn(): HTMLElement {
  const place = document.createElement('div');
  place.innerHTML =
    '<style>.wire { stroke: rgb(179, 38, 30); }</style><svg viewBox="0 0 10 10"><path class="wire" d="M0 0h10"/><text style="font-size: 12px">1k</text></svg><svg class="icon"></svg>';
  document.body.append(place);
  const [large, icon] = place.querySelectorAll('svg');
  large.getBoundingClientRect = () => ({ width: 400, height: 200 }) as DOMRect;
  icon.getBoundingClientRect = () => ({ width: 16, height: 16 }) as DOMRect;
  return place;
}

test('a drawing stands alone: its colours and letters are in it, its classes are not', () => {
  const svg = standalone(drawn().querySelector('svg')!);
  expect(svg).toMatch(/stroke="(rgb\(179, 38, 30\)|#b3261e)"/);
  expect(svg).toContain('font-size="12px"');
  expect(svg).not.toContain('class=');
  expect(svg).toMatch(/width="400"/);
  expect(svg).toContain('xmlns="http://www.w3.org/2000/svg"');
});
test('drawings are saved, signs beside words are not', () => {
  const save = vi.spyOn(files, 'saveFile').mockImplementation(() => undefined);
  expect(saveDrawings(drawn(), 'shunter-circuit')).toBe(1);
  expect(save.mock.calls[0][0]).toBe('shunter-circuit.svg');
});
