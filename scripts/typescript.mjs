// Lets Node run TypeScript as the build makes it. What keeps the names of functions for the tests (tsx) makes each of them
// slower to come by, which a bench would take for ours: some figures came out half as high again.
import { readFile } from 'node:fs/promises';
import { register } from 'node:module';
import { fileURLToPath } from 'node:url';
import { isMainThread } from 'node:worker_threads';
import { transform } from 'esbuild';

// The hooks are in a thread of their own, which loads this too.
if (isMainThread) register(import.meta.url);

export async function load(url, context, next) {
  if (!/\.tsx?$/.test(url)) return next(url, context);
  const { code } = await transform(await readFile(fileURLToPath(url), 'utf8'), {
    loader: url.endsWith('x') ? 'tsx' : 'ts',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    sourcefile: url,
  });
  return { format: 'module', source: code, shortCircuit: true };
}
