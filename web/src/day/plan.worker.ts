import { planDay } from '@riffle/core';
import { exposeWork } from '../workers/steps.ts';

exposeWork(planDay);
