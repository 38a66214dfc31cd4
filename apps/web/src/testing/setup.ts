import { NgModule } from '@angular/core';
import { getTestBed } from '@angular/core/testing';
import { platformBrowserTesting } from '@angular/platform-browser/testing';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';
import { provideTheme } from '../app/ui/provide-theme';
import { WORKERS_IN_PAGE } from './workers';

setupZonelessTestEnv();

// Workers of a page of their own for every test, and the look of the page.
@NgModule({ providers: [...WORKERS_IN_PAGE, provideTheme()] })
class InPageModule {}
const { ngModule } = getTestBed() as unknown as { ngModule: unknown };
getTestBed().resetTestEnvironment();
getTestBed().initTestEnvironment([ngModule, InPageModule].flat() as never, platformBrowserTesting());

// Not among what the tests' page gives, and the browser's database copies by it.
globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
Blob.prototype.arrayBuffer ??= function (this: Blob) {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as ArrayBuffer);
    reader.onerror = () => reject(reader.error ?? new Error('not read'));
    reader.readAsArrayBuffer(this);
  });
};
Blob.prototype.text ??= async function (this: Blob) {
  return new TextDecoder().decode(await this.arrayBuffer());
};
