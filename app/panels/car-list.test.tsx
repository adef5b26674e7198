import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, test, vi } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { inOrder } from '../../core/document/in-order';
import { trainStudy } from '../../core/study/train';
import { CarList } from './car-list';
import type { TrainRecord } from '../../core/document/train-record';

const layout = boatTrain();
const study = trainStudy(layout, 'boat-train');

/** The list as shown, and what each press makes of the train. */
function shown() {
  const made: { label: string; train: TrainRecord }[] = [];
  const onBeside = vi.fn();
  render(
    <MemoryRouter>
      <CarList
        study={study}
        beside={null}
        onBeside={onBeside}
        onEdit={(label, recipe) => {
          const train = structuredClone(layout.trains['boat-train']);
          recipe(train);
          made.push({ label, train });
        }}
      />
    </MemoryRouter>,
  );
  return { made, onBeside };
}
const names = (train: TrainRecord) => inOrder(train.cars).map((c) => layout.jobs[c.jobId].name);
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

afterEach(cleanup);

test('a coach changes places with its neighbour, and the ends have none', () => {
  const { made } = shown();
  const before = names(layout.trains['boat-train']);
  press(`${before[1]} one nearer to the head`);
  expect(names(made[0].train)).toEqual([before[1], before[0], ...before.slice(2)]);
  press(`${before[1]} one nearer to the end`);
  expect(names(made[1].train)).toEqual([before[0], before[2], before[1], ...before.slice(3)]);
  const isOff = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name }).disabled;
  expect(isOff(`${before[0]} one nearer to the head`)).toBe(true);
  expect(isOff(`${before.at(-1)} one nearer to the end`)).toBe(true);
});

test('a coach is turned, uncoupled, or taken as the one beside', () => {
  const { made, onBeside } = shown();
  const [first] = study.cars;
  press(`Turn ${first.job.name} round`);
  expect(made[0].train.cars[first.carId].turned).toBe(!first.turned);
  press(`Uncouple ${first.job.name}`);
  expect(Object.keys(made[1].train.cars)).toHaveLength(study.cars.length - 1);
  expect(made[1].train.cars[first.carId]).toBeUndefined();
  press(first.job.name);
  expect(onBeside).toHaveBeenCalledExactlyOnceWith(first.carId);
});

test('each bench is a link, and each coach says what it draws and how light it is', () => {
  shown();
  const links = screen.getAllByRole('link', { name: 'Bench' }).map((a) => a.getAttribute('href'));
  expect(links).toEqual(study.cars.map((c) => `/bench/${c.id}`));
  for (const { readings, look } of study.cars) {
    if (!look) continue;
    const [milliamps, lux] = [1000 * readings!.supplyAmps.mean, look.lux];
    const figures = screen.getAllByText(/mA · .* lx/).map((e) => e.textContent.match(/[\d.]+/g)!.map(Number));
    const near = figures.some(([a, l]) => Math.abs(a / milliamps - 1) < 0.01 && Math.abs(l / lux - 1) < 0.01);
    expect(near, `${milliamps} mA, ${lux} lx`).toBe(true);
  }
});
