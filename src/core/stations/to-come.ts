/** Stations that are still to come, in working order. */
export const TO_COME = [
  { id: 'bms', name: 'BMS', question: 'How is every cell kept inside its limits?' },
  { id: 'charging', name: 'Charging', question: 'How, from which supply, how long, to what voltage?' },
  { id: 'ancillaries', name: 'Ancillaries', question: 'How are braking, steering, heating and cooling replaced?' },
  { id: 'interlocks', name: 'Interlocks', question: 'Can it move when it should not?' },
  { id: 'harness', name: 'Harness', question: 'Which wire goes where, and which are still open?' },
  { id: 'plan', name: 'Plan', question: 'What can be done now, and what waits?' },
  { id: 'commission', name: 'Commission', question: 'Does it do what the design says?' },
  { id: 'logbook', name: 'Logbook', question: 'What has been done and measured, and what is due?' },
] as const;
