export { contactorAtCells, disconnectAtCells, fuseAtCells, fuseHere } from './at-cells';
export { protectCable, strongerInsulation, thicker, thickerCable, thickerShorted } from './cables';
export {
  auxiliary,
  breaksLoad,
  coilLoopEdit,
  fewerStarts,
  LOOP_DEVICES,
  layOut,
  loopInsertion,
  proveDead,
  putIn,
  quickRelease,
  thickerLoop,
} from './coils';
export { closeLater, otherContactor, otherDisconnect, ownContactor, ownFuse } from './contactors';
export { biggerFuse, higherVoltage, otherFuse, smallerFuse } from './fuses';
export { INSERTABLE, type Insertable, insertionEdit, smallestFuse } from './insertion';
export { guardWire, largerFuse, strongerFuse } from './low-fuses';
export { askedLoad, enterDraw, largerConverter, mainSwitch, otherBattery, setVoltage } from './low-supply';
export { converterWay, coolerLoom, largerPlug, largerRelay, loadWires, thickerEarth, thisWire } from './low-wires';
export { fewerCells, gentler, stopEarlier, widerDevice } from './pack';
export { heldOff, resistor, shorterTimeout } from './precharge';
export type { Proposer, Setting } from './proposer';
