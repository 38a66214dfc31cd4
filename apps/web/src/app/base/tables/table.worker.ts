import { expose } from 'comlink';
import { tableApi } from './table-api';

expose(tableApi);
