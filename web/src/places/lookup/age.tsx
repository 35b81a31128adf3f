import { useEffect, useState } from 'react';

/** How long ago something was, to the minute, hour or day. */
export function Age({ at }: { at: string }) {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 60_000);
    return () => clearInterval(timer);
  }, []);
  return <b>{ageOf(now - Date.parse(at))}</b>;
}

export const ageOf = (ms: number): string => {
  const minutes = Math.max(0, Math.floor(ms / 60_000));
  const [n, unit] =
    minutes < 60 ? [minutes, 'minute'] : minutes < 48 * 60 ? [Math.floor(minutes / 60), 'hour'] : [Math.floor(minutes / 1440), 'day'];
  return minutes === 0 ? 'less than a minute' : `${n} ${unit}${n === 1 ? '' : 's'}`;
};
