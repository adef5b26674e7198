import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { windowLightness } from '../../../core/light/wanted';
import { trainStudy } from '../../../core/study/train';
import { MatchView } from './match-view';

const study = trainStudy(boatTrain(), 'boat-train');
const carOf = (name: string) => study.cars.find((c) => c.job.name === name)!;
const card = (name: string) => screen.getByText(name).closest('li')!;

afterEach(cleanup);

test('each coach is told from the one beside by what an eye sees, with its own lux and kelvin', () => {
  render(<MatchView study={study} beside={carOf('Compartment coach 14').carId} onBeside={() => undefined} />);
  const words = (name: string) => within(card(name)).getByText(/./, { selector: 'em' }).textContent;
  expect(words('Compartment coach 14')).toBe('the one beside');
  // More lux at a higher colour temperature is brighter and bluer; less at a lower one dimmer and warmer.
  const [saloon, heritage] = [carOf('Open saloon 22').look!, carOf('Heritage coach 2').look!];
  const beside = carOf('Compartment coach 14').look!;
  expect(saloon.lux).toBeGreaterThan(beside.lux);
  expect(words('Open saloon 22')).toBe('brighter, bluer');
  expect(heritage.lux).toBeLessThan(beside.lux);
  expect(words('Heritage coach 2')).toBe('dimmer, warmer');
  expect(card('Open saloon 22').textContent).toMatch(/183 lx.*4000 K/);
});

test('a bar is as high as the lightness of the windows, and a press takes that coach as the one beside', () => {
  const told = vi.fn();
  const saloon = carOf('Open saloon 22');
  render(<MatchView study={study} beside={saloon.carId} onBeside={told} />);
  for (const car of study.cars) {
    const bar = card(car.job.name).querySelector<HTMLElement>('.match-bar span')!;
    expect(parseFloat(bar.style.height)).toBeCloseTo(Math.max(2, windowLightness(car.look!.lux)), 6);
  }
  fireEvent.click(screen.getByRole('button', { name: /Luggage van 3/ }));
  expect(told).toHaveBeenCalledExactlyOnceWith(carOf('Luggage van 3').carId);
});
