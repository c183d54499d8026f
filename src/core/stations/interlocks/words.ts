import type { FaultName, Input, Mode } from '../../simulate/sequence/bits';
import type { SearchEvent } from '../../simulate/sequence/events';

/** What an electrician calls an input, done and undone. */
export const INPUT_WORDS: Readonly<Record<Input, readonly [done: string, undone: string]>> = {
  key: ['key on', 'key off'],
  brake: ['brake pressed', 'brake let go'],
  accelerator: ['accelerator pressed', 'accelerator let go'],
  forward: ['lever to forward', 'lever out of forward'],
  reverse: ['lever to reverse', 'lever out of reverse'],
  deadMan: ['dead-man switch held', 'dead-man switch let go'],
  plug: ['charge plug in', 'charge plug out'],
  handle: ['emergency stop pressed', 'emergency stop released'],
  crash: ['inertia switch trips', 'inertia switch reset'],
  remotePressed: ['remote stop pressed', 'remote stop released'],
  remoteOut: ['remote stop unplugged', 'remote stop plugged in'],
  seatEmpty: ['nobody on the seat', 'somebody on the seat'],
  standDown: ['side stand down', 'side stand up'],
  handPrecharge: ['precharge button held', 'precharge button let go'],
  handMain: ['main switch on', 'main switch off'],
  lowSupply: ['12 V sags below what the coils hold', '12 V is back'],
  cellsStop: ['battery management asks to stop', 'battery management lets it go on'],
  movingForward: ['rolls forward', 'comes to a stand'],
  movingBackward: ['rolls backward', 'comes to a stand'],
};

export const FAULT_WORDS: Readonly<Record<FaultName, string>> = {
  none: 'nothing fails',
  'proximity-open': 'the wire that sees the plug breaks',
  'pilot-open': 'the pilot wire breaks',
  'block-welded': 'the contact that blocks torque sticks',
  'brake-on': 'the brake switch sticks on',
  'brake-off': 'the brake switch stays off',
  'pedal-high': 'a track of the pedal reads high',
  'pedal-open': 'a wire of the pedal breaks',
  'forward-on': 'the forward contact sticks on',
  'reverse-on': 'the reverse contact sticks on',
  'forward-off': 'the forward contact stays off',
  'reverse-off': 'the reverse contact stays off',
  'dead-man-on': 'the dead-man switch sticks on',
  'seat-on': 'the seat switch sticks on',
  'stand-up': 'the stand’s switch reads up',
  'speed-moving': 'the speed reading freezes, moving',
  'speed-still': 'the speed reading freezes at standstill',
  'main-welded': 'the main contactor welds',
  'minus-welded': 'the minus contactor welds',
  'relay-welded': 'the precharge relay welds',
  'charge-welded': 'the charge contactor welds',
  'resistor-open': 'the precharge resistor breaks',
  'link-loaded': 'a load on the link stays awake',
  'link-reads-up': 'the link’s voltage reads charged whatever it is',
  'link-reads-dead': 'the link’s voltage reads dead whatever it is',
  'messages-lost': 'messages stay away',
};

export const MODE_WORDS: Readonly<Record<Mode, string>> = {
  off: 'Off',
  awake: 'Awake',
  precharge: 'Precharge',
  ready: 'Ready',
  drive: 'Forward',
  reverse: 'Reverse',
  stopping: 'Stopping',
  tripping: 'Tripping',
  fault: 'Fault',
  'charge-precharge': 'Precharge to charge',
  charging: 'Charging',
};

/** Numbered as a person would tell it; waiting in a row is told once. */
export function storyLines(story: readonly SearchEvent[]): readonly string[] {
  const lines: string[] = [];
  for (const event of story) {
    const said =
      event.kind === 'time'
        ? 'wait'
        : event.kind === 'fault'
          ? FAULT_WORDS[event.fault]
          : INPUT_WORDS[event.input][event.is ? 0 : 1];
    if (said !== 'wait' || lines.at(-1) !== 'wait') lines.push(said);
  }
  return lines;
}
