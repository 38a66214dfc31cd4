import { expose } from 'comlink';
import { rigApi } from './rig-api';

expose(rigApi);
