declare module 'pino-roll' {
  import type { EventEmitter } from 'node:events';
  interface RollOptions {
    readonly file: string;
    readonly extension?: string;
    readonly size?: string;
    readonly mkdir?: boolean;
    readonly limit?: { readonly count: number };
  }
  interface RollStream extends EventEmitter {
    write(line: string): boolean;
    flushSync(): void;
    end(): void;
  }
  export default function roll(options: RollOptions): Promise<RollStream>;
}
