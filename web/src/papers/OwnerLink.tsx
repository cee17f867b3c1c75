import { format } from 'date-fns';
import { Copy, Smartphone } from 'lucide-react';
import { QRCodeSVG } from 'qrcode.react';
import { useState, type ReactElement } from 'react';
import { problemWords, useCloseOwnerLinkMutation, useOpenOwnerLinkMutation } from '../api/api';
import { Button } from '../ui/Button';

/** What the owner's page is for, by the paper it is of. */
const WORDS = {
  report: { answer: 'Answer on your phone', open: 'A page for the owner' },
  card: { answer: 'Did it do it again? Tell us on your phone', open: 'A page that asks how it goes' },
} as const;

/** The page on which the owner answers a report, or says how it goes: opened for them, shown as a code and an address, withdrawn again. */
export function OwnerLink({
  jobId,
  entryId,
  paper,
}: {
  jobId: string;
  entryId: string;
  paper: keyof typeof WORDS;
}): ReactElement {
  const [openLink, opening] = useOpenOwnerLinkMutation();
  const [closeLink] = useCloseOwnerLinkMutation();
  const [link, setLink] = useState<{ url: string; expiresAt: string } | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [copied, setCopied] = useState(false);
  const open = async (): Promise<void> => {
    const { data, error } = await openLink({ jobId, entryId });
    setTold(error ? problemWords(error) : null);
    setCopied(false);
    if (data) setLink({ url: `${location.origin}/owner/${data.token}`, expiresAt: data.expiresAt });
  };
  const copy = async (url: string): Promise<void> => {
    try {
      await navigator.clipboard.writeText(url);
      setCopied(true);
    } catch {
      setTold('This browser does not let the address be copied: mark it and copy it by hand.');
    }
  };
  const withdraw = async (): Promise<void> => {
    const { error } = await closeLink({ jobId, entryId });
    setTold(error ? problemWords(error) : 'It is withdrawn: whoever has the address finds nothing there.');
    if (!error) setLink(null);
  };
  return (
    <section aria-label="The owner’s page" className="max-w-[44rem]">
      {link && (
        <div className="flex flex-wrap items-center gap-5">
          <QRCodeSVG value={link.url} size={132} title="The owner’s page" className="bg-white p-1" />
          <div className="min-w-0 flex-1 text-lg leading-snug">
            <p className="font-semibold">
              {WORDS[paper].answer}, until {format(new Date(link.expiresAt), 'd MMMM')}:
            </p>
            <p className="break-all">{link.url}</p>
            <Button className="mt-2 print:hidden" onClick={() => void copy(link.url)}>
              <Copy size={20} aria-hidden /> {copied ? 'Copied' : 'Copy the address'}
            </Button>
          </div>
        </div>
      )}
      {told && (
        <p role="status" className="text-lg font-semibold text-ochre print:hidden">
          {told}
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-3 print:hidden">
        <Button disabled={opening.isLoading} onClick={() => void open()}>
          <Smartphone size={20} aria-hidden /> {link ? 'A new address' : WORDS[paper].open}
        </Button>
        <Button look="quiet" onClick={() => void withdraw()}>
          Withdraw it
        </Button>
      </div>
    </section>
  );
}
