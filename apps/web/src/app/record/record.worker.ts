import { expose } from 'comlink';
import { recordApi } from './record-api';

expose(recordApi);
