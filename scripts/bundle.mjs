/** How what runs in Node is put into one file: quickly read, and its functions not given their names anew each time. */
export const FOR_NODE = /** @type {const} */ ({
  bundle: true,
  packages: 'external',
  platform: 'node',
  target: 'node20',
  format: 'esm',
  // Ours says that none of its modules does anything by being read; what begins a script or a test does.
  ignoreAnnotations: true,
})
