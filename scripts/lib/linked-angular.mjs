/**
 * How Jest reads packages written for Angular. They come with their components half compiled, to be finished by who builds
 * with them; left so, each test file finishes all that it imports anew, for seconds. Here Angular's own linker does it,
 * as in a build, and Jest keeps what it made.
 */
import { fileURLToPath } from 'node:url';
import linker from '@angular/compiler-cli/linker/babel';
import { transformSync } from '@babel/core';
import cacheKeysOf from '@jest/create-cache-key-function';
import preset from 'jest-preset-angular';

const UNFINISHED = 'ɵɵngDeclare';

function link(source, filename) {
  if (!source.includes(UNFINISHED)) return source;
  // The page's own components are compiled as they are loaded, and then ask modules what these hold.
  const plugins = [[linker, { linkerJitMode: true }]];
  return transformSync(source, { filename, plugins, compact: false, configFile: false, babelrc: false }).code;
}

/** @type {{ createTransformer: (config: object) => object }} config: options of the preset, which makes of what is linked what Jest runs */
const linked = {
  createTransformer(config) {
    const transformer = preset.default.createTransformer(config);
    return {
      getCacheKey: cacheKeysOf([fileURLToPath(import.meta.url)]),
      process: (source, path, options) => transformer.process(link(source, path), path, options),
    };
  },
};

export default linked;
