import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// Not among what the tests' page gives, and the browser's database copies by it.
globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
