import { exposeWork } from '../../../workers/steps.ts';
import { weighSetting } from './weighSetting.ts';

exposeWork(weighSetting);
