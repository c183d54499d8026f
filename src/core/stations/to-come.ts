/** Stations that are still to come, in working order, with what nobody judges until then. */
export const TO_COME = [
  {
    id: 'commission',
    name: 'Commission',
    question: 'Does it do what the design says?',
    leaves: 'The car itself: nothing here was measured on it unless a reading was adopted.',
  },
  { id: 'logbook', name: 'Logbook', question: 'What has been done and measured, and what is due?' },
] as const;
