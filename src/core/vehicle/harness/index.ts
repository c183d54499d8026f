export { type DataLine, dataLines, type LineNode, portOf } from './bus';
export { comparePins, type PinDifference, type PinVerdict, pinsTwice } from './compare-pins';
export { type Host, hostOf, hostPlace, hostsOf } from './hosts';
export { endWords, type WireChange, wiringChanges, wiringIssue } from './issue';
export { type LiveEnd, liveEnds } from './live';
export { type HvHost, type HvTerminal, hvTerminalsOf, type PlugPin, type PlugView, plugsOf } from './pins';
export { middleOf, type Run, type RunKnot, type Runs, runsOf } from './runs';
export { SUB_LOOMS } from './sub-looms';
export { usualSignals } from './usual';
export { missingSignals, type WantedSignal, wantedSignals } from './wanted';
export {
  type GoneWire,
  type Harness,
  type HarnessEnd,
  type HarnessWire,
  harnessOf,
  isOpen,
  openEnds,
  terminalWord,
  type Wiring,
} from './wires';
