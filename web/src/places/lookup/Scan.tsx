import { BrowserMultiFormatReader } from '@zxing/browser';
import { useEffect, useRef, useState } from 'react';

/** The camera as a scanner: what a label, a data card or a bar code says is looked up. Nothing of the picture leaves the device. */
export default function Scan({ onCode }: { onCode: (code: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const taken = useRef(onCode);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    taken.current = onCode;
  });
  useEffect(() => {
    let stopped = false;
    const reader = new BrowserMultiFormatReader();
    const controls = reader
      .decodeFromConstraints({ video: { facingMode: 'environment' } }, video.current!, (result) => {
        if (result && !stopped) taken.current(result.getText());
      })
      .catch((error: unknown) => {
        setTrouble(
          error instanceof DOMException && error.name === 'NotAllowedError'
            ? 'The camera was not allowed; allow it for this page in the browser, or type what the label says.'
            : 'No camera can be opened here; type what the label says.',
        );
        return undefined;
      });
    return () => {
      stopped = true;
      void controls.then((c) => c?.stop());
    };
  }, []);
  if (trouble) return <p role="alert">{trouble}</p>;
  return (
    <figure className="scanning">
      <video ref={video} muted playsInline />
      <figcaption>Hold the code of a label, a data card or a box before the camera.</figcaption>
    </figure>
  );
}
