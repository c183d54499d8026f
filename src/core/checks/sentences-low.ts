import { S, type Sentence } from './sentence';

/** The 12-volt side. */
export const LOW_SENTENCES: Readonly<Record<string, Sentence>> = {
  'lv.battery': S('No auxiliary battery', '{subject}', '{detail}', '{subject}'),
  'lv.converter-size': S(
    '{subject} is too small for the 12-volt side',
    '{subject} feeds the 12-volt side',
    '{demand} of {limit} {scenario}',
    '{subject}, 12-volt side',
  ),
  'lv.converter-voltage': S(
    '{subject} is set wrong for the battery',
    '{subject}, set voltage',
    '{demand}, {battery} wants about {limit}',
  ),
  'lv.converter-drop': S(
    'The way from {subject} to the battery drops too much',
    '{subject} to the battery',
    '{demand} of {limit} at {current}',
    '{subject} to the battery',
  ),
  'lv.peak': S(
    '{subject} drops out in a peak',
    '{subject} in a peak',
    '{demand}, needs {limit}; battery gives {battery}',
  ),
  'lv.peak.collapses': S(
    'The 12-volt side gives way in a peak',
    'The 12-volt side in a peak',
    'with everything at its hardest no voltage carries what is asked',
  ),
  'lv.hold-up': S(
    'The converter’s end leaves too little time',
    'When the converter dies',
    '{demand} from {current}, {limit} wanted; {first} goes first',
  ),
  'lv.parked': S('Parking flattens {subject}', '{subject}, parked', '{days} to half at {current}, {wanted} wanted'),
  'lv.cold-charge': S('{subject} would be charged below freezing', '{subject} in the cold', '{detail}'),
  'lv.drop': S('{subject} gets too little voltage', '{subject}, drop', '{demand} of {limit} {how}', '{subject}'),
  'lv.fuse-load': S('{subject} is too small for its load', '{subject}, load', '{demand} of {limit}'),
  'lv.fuse-wire': S(
    '{subject} does not protect its wire',
    '{subject}, its wire',
    '{demand}, {wire} carries {limit}',
    '{subject}, its wire',
  ),
  'lv.load-fuse': S('{subject} has no fuse', '{subject}', '{detail}'),
  'lv.source-fuse': S('{subject} has no fuse at its terminal', '{subject}, fuse at the source', '{detail}'),
  'lv.wire-temperature': S('{subject} gets too hot', '{subject}', '{demand} of {limit} with {current}'),
  'lv.wire-temperature.runaway': S('{subject} burns', '{subject}', 'no steady temperature with {current}'),
  'lv.solves': S(
    'The 12-volt side can’t give what is asked',
    'The 12-volt side is solved',
    '{detail}',
    'The 12-volt side',
  ),
  'lv.loom': S(
    '{subject} gets too hot',
    '{subject}, {across} of wires',
    '{wire}: {demand} of {limit}, {when}',
    '{subject}',
  ),
  'lv.loom.runaway': S('{subject} burns', '{subject}', 'no steady temperature, {when}', '{subject}'),
  'lv.fuse-peak': S(
    '{subject} blows when {load} works hardest',
    '{subject}, peak',
    '{demand} of {limit} for {seconds}',
    '{subject}, peak',
  ),
  'lv.wire-short': S(
    '{subject} lets a short circuit burn its wire',
    '{subject} saves its wire in a short circuit',
    'lets through {demand}, {wire} stands {limit}',
    '{subject} against a short in its wire',
  ),
  'lv.fuse-breaking': S(
    '{subject} can’t break a short right behind it',
    '{subject} breaks a short right behind it',
    '{demand} of {limit}',
    '{subject} against a short right behind it',
  ),
  'lv.fuse-voltage': S(
    '{subject} is not made for this voltage',
    '{subject} voltage',
    '{demand} while charging, breaks {limit}',
  ),
  'lv.fuse-voltage.none': S('{subject} has no DC rating', '{subject} voltage', 'an AC rating says nothing about DC'),
  'lv.wire-short.slow': S(
    '{subject} is slow in a short circuit',
    '{subject} ends a short circuit',
    '{demand} of {limit} with {current} at the far end',
  ),
  'lv.wire-short.never': S(
    '{subject} never ends a short circuit',
    '{subject} ends a short circuit',
    '{current} at the far end does not melt it',
  ),
  'lv.old-loom': S('{subject} is not to be relied on', '{subject}', '{detail}', '{subject}'),
  'lv.connector': S(
    'The plug on {subject} carries too much',
    'Plug on {subject}',
    '{demand} of {limit}',
    'Plug on {subject}',
  ),
  'lv.earth-joint': S('{subject}: joint too poor', '{subject}', '{demand} of {limit} with {current}'),
  'lv.earth-shift': S(
    'The earth of {subject} is lifted',
    'Earth of {subject}',
    '{demand} of {limit} with everything running',
  ),
  'lv.contact': S('{subject} carries too much', '{subject}, contact', '{demand} of {limit}'),
};
