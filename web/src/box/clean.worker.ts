import { exposeWork } from '../workers/steps.ts';
import { sayForecast } from './cleanForecast.ts';

exposeWork(sayForecast);
