// The worker where the server runs from its sources: in tests and in development.
import { register } from 'tsx/esm/api';

register();
export default (await import('./worker.ts')).default;
