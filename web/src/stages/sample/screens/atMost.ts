/** A limit in percent, as a person says it: rounded up, never to nothing. */
export const atMost = (percent: number): string => (percent < 1 ? '1 %' : `${Math.ceil(percent)} %`);
