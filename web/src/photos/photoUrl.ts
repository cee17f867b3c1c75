import { useEffect, useState } from 'react';
import { photoKept } from '../keeping/shelf';

/** Addresses of photos that lie or lay on this device, by hash: they work for whoever shows them as long as the page is open. */
const here = new Map<string, string>();

/** Where a photo can be seen: on this device while it waits to be sent, else at the server. `why`: it was refused. */
export function usePhoto(hash: string): { src: string | undefined; why: string | undefined } {
  const [at, setAt] = useState<{ hash: string; src: string; why: string | undefined } | null>(null);
  useEffect(() => {
    let left = false;
    void photoKept(hash).then((kept) => {
      if (left) return;
      const src = kept ? (here.get(hash) ?? URL.createObjectURL(kept.blob)) : `/api/photos/${hash}`;
      if (kept) here.set(hash, src);
      setAt({ hash, src, why: kept?.refused });
    });
    return () => {
      left = true;
    };
  }, [hash]);
  return at?.hash === hash ? at : { src: undefined, why: undefined };
}
