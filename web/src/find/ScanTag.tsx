import { useEffect, useRef, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../ui/Button';

/** How often the picture is looked at, ms, and how wide it is then: a hook tag's code is coarse. */
const EVERY_MS = 200;
const WIDTH = 640;

/** The job that a hook tag's code opens, wherever it was printed; null where it is no hook tag's. */
export const jobInCode = (text: string): string | null =>
  /\/job\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})(?:[/?#]|$)/.exec(text)?.[1] ?? null;

/** What a camera's picture says as a code; null where there is none in it. */
async function codeIn(video: HTMLVideoElement, canvas: HTMLCanvasElement): Promise<string | null> {
  const { default: jsQR } = await import('jsqr');
  if (video.videoWidth === 0) return null;
  canvas.width = WIDTH;
  canvas.height = Math.round((WIDTH * video.videoHeight) / video.videoWidth);
  const picture = canvas.getContext('2d', { willReadFrequently: true });
  if (!picture) return null;
  picture.drawImage(video, 0, 0, canvas.width, canvas.height);
  const { data, width, height } = picture.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(data, width, height, { inversionAttempts: 'dontInvert' })?.data ?? null;
}

/** Looks for a hook tag's code through the camera, and opens its job. */
export function ScanTag({ onFound, onBack }: { onFound: () => void; onBack: () => void }): ReactElement {
  const navigate = useNavigate();
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const canvas = document.createElement('canvas');
    let stream: MediaStream | null = null;
    let looking: ReturnType<typeof setTimeout>;
    let over = false;
    const look = async (): Promise<void> => {
      const text = video.current && (await codeIn(video.current, canvas).catch(() => null));
      if (over) return;
      const job = text && jobInCode(text);
      if (job) {
        onFound();
        void navigate(`/job/${job}`);
        return;
      }
      if (text) setProblem('That code is no hook tag of a shop like this.');
      looking = setTimeout(() => void look(), EVERY_MS);
    };
    navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } }).then(
      async (opened) => {
        stream = opened;
        if (over || !video.current) return opened.getTracks().forEach((track) => track.stop());
        video.current.srcObject = opened;
        await video.current.play().catch(() => undefined);
        void look();
      },
      () => setProblem('The camera is not there, or not allowed: type the number instead.'),
    );
    return () => {
      over = true;
      clearTimeout(looking);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [navigate, onFound]);
  return (
    <div className="mt-4">
      <video
        ref={video}
        muted
        playsInline
        aria-label="Camera"
        className="max-h-[60dvh] w-full rounded-md bg-black"
      />
      <p
        role={problem ? 'alert' : 'status'}
        className={`mt-3 text-lg ${problem ? 'font-semibold text-rust' : ''}`}
      >
        {problem ?? 'Hold the tag’s code before it.'}
      </p>
      <Button className="mt-3" onClick={onBack}>
        Type instead
      </Button>
    </div>
  );
}
