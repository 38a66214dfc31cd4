import { expose } from 'comlink';
import { tripFinderApi } from './trip-finder-api';

expose(tripFinderApi);
