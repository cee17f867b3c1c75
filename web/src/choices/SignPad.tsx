import SignaturePad from 'signature_pad';
import { useEffect, useRef, useState, type ReactElement, type RefObject } from 'react';
import { Button } from '../ui/Button';

/** What is signed, once it is asked for: a picture of it, or null while nothing is. */
export interface Signed {
  picture: () => Promise<Blob | null>;
}

/** Glass to sign on with a finger. */
export function SignPad({ signedRef }: { signedRef: RefObject<Signed | null> }): ReactElement {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const [empty, setEmpty] = useState(true);
  useEffect(() => {
    const glass = canvas.current;
    const drawing = glass?.getContext('2d');
    if (!glass || !drawing) return;
    // As many dots as the screen has.
    const dots = window.devicePixelRatio || 1;
    glass.width = glass.offsetWidth * dots;
    glass.height = glass.offsetHeight * dots;
    drawing.scale(dots, dots);
    const drawn = new SignaturePad(glass, { backgroundColor: '#ffffff', penColor: '#000000' });
    drawn.addEventListener('endStroke', () => setEmpty(false));
    pad.current = drawn;
    signedRef.current = {
      picture: () =>
        drawn.isEmpty()
          ? Promise.resolve(null)
          : new Promise((resolve) => glass.toBlob(resolve, 'image/png')),
    };
    return () => {
      drawn.off();
      signedRef.current = null;
    };
  }, [signedRef]);
  return (
    <div>
      <p className="font-semibold">Signed, if wanted</p>
      <canvas
        ref={canvas}
        aria-label="Sign here"
        className="mt-1 h-32 w-full touch-none rounded-md border-2 border-line bg-white"
      />
      {!empty && (
        <Button
          look="quiet"
          className="!px-0"
          onClick={() => {
            pad.current?.clear();
            setEmpty(true);
          }}
        >
          Wipe it
        </Button>
      )}
    </div>
  );
}
