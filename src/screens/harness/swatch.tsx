import type { Colour } from '@/core/build';

export const COLOUR_WORDS: Readonly<Record<Colour, string>> = {
  BK: 'black',
  BN: 'brown',
  RD: 'red',
  OG: 'orange',
  YE: 'yellow',
  GN: 'green',
  BU: 'blue',
  VT: 'violet',
  GY: 'grey',
  WH: 'white',
  PK: 'pink',
  TQ: 'turquoise',
};
/** Wires as they look, whatever the theme. */
const SHOWN: Readonly<Record<Colour, string>> = {
  BK: '#1b1b1b',
  BN: '#6b4226',
  RD: '#c22f2a',
  OG: '#ee7a17',
  YE: '#e8c81e',
  GN: '#2e8b45',
  BU: '#2f62b5',
  VT: '#7a4a9e',
  GY: '#8b8f94',
  WH: '#f4f2ec',
  PK: '#e59ab2',
  TQ: '#35aeb0',
};
export const colourWords = (colour: Colour, stripe: Colour | null): string => (stripe ? `${colour}/${stripe}` : colour);

/** A piece of the wire; the letters beside it say the same. */
export const Swatch = ({ colour, stripe }: { colour: Colour; stripe: Colour | null }) => (
  <svg width="26" height="10" viewBox="0 0 26 10" aria-hidden="true" className="shrink-0">
    <rect
      x="0.5"
      y="0.5"
      width="25"
      height="9"
      rx="4.5"
      fill={SHOWN[colour]}
      stroke="currentColor"
      strokeOpacity="0.5"
    />
    {stripe && <rect x="1" y="3.8" width="24" height="2.4" fill={SHOWN[stripe]} />}
  </svg>
);
