/** Compiles the kernels and puts the module where browser and Node both load it from. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import asc from 'assemblyscript/asc';

const folder = mkdtempSync(join(tmpdir(), 'kernels-'));
const file = join(folder, 'kernels.wasm');
const { error, stderr } = await asc.main([
  'src/kernels/assembly/index.ts',
  '-O3',
  '--enable',
  'simd',
  '--runtime',
  'stub',
  '--noAssert',
  '--outFile',
  file,
]);
if (error) {
  throw new Error(`The kernels do not compile.\n${stderr.toString()}`);
}
writeFileSync(
  'src/kernels/module.ts',
  `/* Written by scripts/buildKernels.mjs out of the folder assembly. */\nexport const kernelModule =\n  '${readFileSync(file).toString('base64')}';\n`,
);
rmSync(folder, { recursive: true });
