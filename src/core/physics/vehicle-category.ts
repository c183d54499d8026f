/** Class of the registration: passenger cars and buses, goods vehicles, two to four light wheels, farm tractors. */
export const CATEGORIES = ['M1', 'M2', 'M3', 'N1', 'N2', 'N3', 'L', 'T'] as const;
export type Category = (typeof CATEGORIES)[number];

interface CategoryFigures {
  readonly name: string;
  /** Gross mass, kg: above the one, up to the other. */
  readonly overKg?: number;
  readonly mostKg?: number;
  /** What a traction battery's fixings hold, g; absent: the text has no figure for it, so that the rule set's stand. */
  readonly forwardG?: number;
  readonly sideG?: number;
}

/** Classes of vehicles (UN R.E.3), and what UN R100, annex 9D, asks of the battery's fixings in each (from memory: verify). */
export const CATEGORY_FIGURES: Readonly<Record<Category, CategoryFigures>> = {
  M1: { name: 'M1, passenger car, up to 8 seats and the driver’s', forwardG: 20, sideG: 8 },
  M2: { name: 'M2, bus, up to 5 t', mostKg: 5000, forwardG: 10, sideG: 5 },
  M3: { name: 'M3, bus, over 5 t', overKg: 5000, forwardG: 6.6, sideG: 5 },
  N1: { name: 'N1, goods vehicle, up to 3.5 t', mostKg: 3500, forwardG: 20, sideG: 8 },
  N2: { name: 'N2, goods vehicle, 3.5 to 12 t', overKg: 3500, mostKg: 12000, forwardG: 10, sideG: 5 },
  N3: { name: 'N3, goods vehicle, over 12 t', overKg: 12000, forwardG: 6.6, sideG: 5 },
  L: { name: 'L, two, three or four light wheels' },
  T: { name: 'T, farm tractor' },
};
