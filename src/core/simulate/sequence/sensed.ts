import { FAULT, WORLD } from './bits';
import type { SequenceDesign } from './sequence-design';

const W = WORLD;
const MOVING = W.movingForward | W.movingBackward;

/** What each fault makes of the sensed word: bits kept, bits put on. */
export function sensedUnder({ flags }: SequenceDesign): [Int32Array, Int32Array] {
  const size = Object.keys(FAULT).length;
  const keep = new Int32Array(size).fill(-1);
  const put = new Int32Array(size);
  const reads = (fault: keyof typeof FAULT, off: number, on: number) => {
    keep[FAULT[fault]] = ~off;
    put[FAULT[fault]] = on;
  };
  const caught = (fault: keyof typeof FAULT, is: boolean | undefined, off: number, on: number) =>
    is ? reads(fault, off | on, W.bad) : reads(fault, off, on);
  caught('brake-on', flags.brakeTwo, 0, W.brake);
  caught('brake-off', flags.brakeTwo, W.brake, 0);
  caught('pedal-high', flags.pedalTwo, 0, W.accelerator);
  caught('pedal-open', flags.pedalTwo || flags.pedalRange, 0, W.accelerator);
  reads('forward-on', 0, W.forward);
  reads('reverse-on', 0, W.reverse);
  reads('forward-off', W.forward, 0);
  reads('reverse-off', W.reverse, 0);
  caught('dead-man-on', flags.deadManTwo, 0, W.deadMan);
  reads('seat-on', W.seatEmpty, 0);
  reads('stand-up', W.standDown, 0);
  caught('speed-moving', flags.speedOwn, MOVING, W.movingForward);
  caught('speed-still', flags.speedOwn, MOVING, 0);
  reads('link-reads-up', W.linkDead, W.linkUp);
  reads('link-reads-dead', W.linkUp, W.linkDead);
  caught('messages-lost', flags.messagesEnd, W.brake, W.accelerator);
  return [keep, put];
}
