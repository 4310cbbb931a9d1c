import { exposeWork } from '../../workers/steps.ts';
import { solveSetup } from './solveSetup.ts';

exposeWork(solveSetup);
