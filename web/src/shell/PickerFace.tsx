/** What one presses to pick a ground: the one in hand. */
export const PickerFace = ({ name }: { name: string | undefined }) => (
  <>
    <span className="flex justify-between text-[13px] text-ink-2">
      <span>
        Ground{' '}
        {/* Drawn: the letters have none, and a phone would look through all its own for one before it lays out a word. */}
        <svg aria-hidden="true" viewBox="0 0 8 5" className="inline w-2 fill-current align-middle">
          <path d="M0 0h8L4 5z" />
        </svg>
      </span>
      <kbd className="hidden font-sans sm:inline" aria-hidden="true">
        g
      </kbd>
    </span>
    <span className="block font-serif leading-tight font-semibold sm:text-[13.5px]">{name ?? 'Choose one'}</span>
  </>
);
