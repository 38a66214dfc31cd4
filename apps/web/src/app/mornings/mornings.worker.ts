import { expose } from 'comlink';
import { morningsApi } from './mornings-api';

expose(morningsApi);
