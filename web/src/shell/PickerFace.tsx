/** What one presses to pick a ground: the one in hand. */
export const PickerFace = ({ name }: { name: string | undefined }) => (
  <>
    <span className="flex justify-between text-[13px] text-ink-2">
      <span>
        Ground <span aria-hidden="true">▾</span>
      </span>
      <kbd className="hidden font-sans sm:inline" aria-hidden="true">
        g
      </kbd>
    </span>
    <span className="block font-serif leading-tight font-semibold sm:text-[13.5px]">{name ?? 'Choose one'}</span>
  </>
);
