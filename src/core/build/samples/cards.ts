/** What the first page says of the samples; they are made only when one is opened. */
export interface SampleCard {
  readonly key: 'firn-9' | 'larkspur' | 'teasel';
  readonly name: string;
  readonly about: string;
}

export const SAMPLE_CARDS: readonly SampleCard[] = [
  {
    key: 'firn-9',
    name: 'Firn 9',
    about:
      'Nine-seat mountain-hut shuttle, about 330 V, two salvaged boxes, both poles switched. Most of it holds; two fuses are wrong on purpose.',
  },
  {
    key: 'larkspur',
    name: 'Larkspur',
    about:
      'Small four-seat estate, about 130 V of LFP in two boxes, one contactor and a hand switch, air heater, a small charger on board.',
  },
  {
    key: 'teasel',
    name: 'Teasel',
    about: 'Vineyard tractor, 84 V of flooded lead, series DC motor. The old way, done properly.',
  },
];
