import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit, emptyBuild } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { cataloguePart } from '../parts';
import { nextFigure, starterLayout } from './index';

const start = emptyBuild('b', 'New');
const laid: Build = applyEdit(start, {
  edit: 'layOut',
  input: starterLayout(
    start,
    {
      cell: cataloguePart('cell-lfp-180', 'cell'),
      cellsInSeries: 40,
      cellsInParallel: 1,
      inverter: cataloguePart('inverter-144-400', 'inverter'),
      runLengthM: 2.5,
    },
    's',
  ),
}).build;
const judgedIn = (build: Build) =>
  assess(build).checks.filter(({ verdict }) => verdict !== 'needs-data' && verdict !== 'waits').length;
const with_ = (build: Build, ...edits: readonly Edit[]) =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);

describe('what is asked next', () => {
  test('without cells they come first', () => {
    expect(nextFigure(assess(start))).toBeNull();
  });

  test('a fresh circuit is asked for something that opens checks, and telling it opens that many', () => {
    const next = nextFigure(assess(laid))!;
    expect(next.opens).toBeGreaterThan(0);
    expect(next.where.length).toBeGreaterThan(0);
  });

  test('mass and tyres told, the motor is asked, and it opens at least as many checks as are promised', () => {
    const told = with_(
      laid,
      { edit: 'setFigure', input: { figure: 'massEmpty', value: 900 } },
      { edit: 'setTyre', input: { tyre: '155 R13' } },
      { edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 22 } },
      { edit: 'setFigure', input: { figure: 'massGross', value: 1400 } },
      { edit: 'setFigure', input: { figure: 'payload', value: 300 } },
      { edit: 'setFigure', input: { figure: 'dailyDistance', value: 30000 } },
      { edit: 'setFigure', input: { figure: 'regenerationPower', value: 9000 } },
    );
    const next = nextFigure(assess(told))!;
    expect(next).toMatchObject({ words: 'a motor', station: 'drive', field: 'Motor' });
    const part = cataloguePart('motor-induction-50', 'motor');
    const answered = with_(told, {
      edit: 'addDevice',
      input: { device: { id: 'm', kind: 'motor', name: 'Motor', partId: part.id, place: null }, part },
    });
    expect(judgedIn(answered) - judgedIn(told)).toBeGreaterThanOrEqual(next.opens - 1);
  });

  test.each([
    ['Firn 9', firn9()],
    ['Larkspur', larkspur()],
    ['Teasel', teasel()],
  ])('the samples are asked for a hill at most: %s', (_, build) => {
    const next = nextFigure(assess(build));
    if (next) expect(next.words).toMatch(/climb|speed|regeneration/);
    else expect(next).toBeNull();
  });
});
