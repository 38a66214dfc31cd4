import { expose } from 'comlink';
import { plannerApi } from './planner-api';

expose(plannerApi);
