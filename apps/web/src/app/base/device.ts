import * as z from 'zod';
import { Store } from './store';

const MAX_NAME = 60;
const usual = () =>
  typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches ? 'Phone' : 'Computer';

const store = new Store('device-name', z.string().min(1).max(MAX_NAME).nullable(), null);

/** What this device is called where changes are told. */
export const deviceName = (): string => store.read() ?? usual();

export const nameDevice = (name: string): boolean => store.write(name.trim().slice(0, MAX_NAME) || null);
