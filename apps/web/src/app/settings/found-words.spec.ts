import { sayDate } from '../ui/dates';
import { sayFound } from './found-words';

const DAY = sayDate('2027-03-23');

it('says what an address gives, and what it does not', () => {
  const weather = { days: 14, first: '2027-03-10', last: '2027-03-23' };
  expect(sayFound({ weather, gauge: null })).toBe(`It gives weather: 14 days, the last ${DAY}.`);
  expect(
    sayFound({ weather: { ...weather, days: 1 }, gauge: { failure: 'a.example answers with an error (404)' } }),
  ).toBe(`It gives weather: one day, the last ${DAY}. No gauge figures: a.example answers with an error (404).`);
});
