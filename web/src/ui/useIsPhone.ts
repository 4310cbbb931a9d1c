import { useSyncExternalStore } from 'react';

const PHONE = '(max-width: 639.9px)';

/** Whether the page is as narrow as a phone, followed as it changes: for what is laid out another way there, not only smaller. */
export const useIsPhone = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const media = matchMedia(PHONE);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => matchMedia(PHONE).matches,
  );
