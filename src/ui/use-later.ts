import { startTransition, useDeferredValue, useEffect, useState } from 'react';

/** A value for what takes long to show: null until all else has been on the screen once, and after a change the old one until then. */
export function useLater<Value>(value: Value): Value | null {
  const later = useDeferredValue(value);
  const [shown, setShown] = useState(false);
  useEffect(() => startTransition(() => setShown(true)), []);
  return shown ? later : null;
}
