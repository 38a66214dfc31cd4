import { expose } from 'comlink';
import { ChartApi } from './chart-api';

expose(new ChartApi());
