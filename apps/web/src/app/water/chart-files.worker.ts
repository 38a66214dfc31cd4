import { expose } from 'comlink';
import { ChartFilesApi } from './chart-files-api';

expose(new ChartFilesApi());
