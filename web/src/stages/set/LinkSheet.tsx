import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** A link that opens this setting for whoever has this book. */
export function LinkSheet({ link, onClose }: { readonly link: string; readonly onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  // Some browsers let no page write what is copied; the link can be taken from its field then.
  const copy = (): void =>
    void navigator.clipboard?.writeText(link).then(
      () => setCopied(true),
      () => undefined,
    );
  return (
    <Sheet title="Link to this setting" onClose={onClose}>
      <label className="block">
        <span className="text-[13px] text-ink-2">Opens Set as it stands now, for whoever has this book</span>
        <textarea
          readOnly
          rows={4}
          className="mt-1 written w-full break-all"
          value={link}
          onFocus={(e) => e.target.select()}
        />
      </label>
      <Button look="main" className="mt-2 min-h-14" onClick={copy}>
        {copied ? 'Copied' : 'Copy it'}
      </Button>
    </Sheet>
  );
}
