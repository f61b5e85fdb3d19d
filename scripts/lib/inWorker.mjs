// Bundles a script that uses core/ and runs it in a worker, as the app's own workers are bundled.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { build } from 'vite'
import { root } from './prepare.mjs'

/**
 * @param workerData what the script is given
 * @returns the first message of the script
 */
export async function inWorker(script, workerData) {
  const folder = mkdtempSync(join(tmpdir(), 'ulkin-bench-'))
  try {
    await build({
      root,
      configFile: false,
      logLevel: 'error',
      ssr: { noExternal: true },
      build: {
        ssr: join(root, script),
        outDir: folder,
        emptyOutDir: true,
        target: 'node20',
        rollupOptions: { output: { entryFileNames: 'work.mjs', format: 'es' } },
      },
    })
    return await new Promise((resolve, reject) => {
      const worker = new Worker(join(folder, 'work.mjs'), { workerData })
      worker.once('message', message => {
        resolve(message)
        void worker.terminate()
      })
      worker.once('error', reject)
    })
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
