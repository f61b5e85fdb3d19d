/// <reference types="vite/client" />

/**
 * Whether this build came with a server that makes the demo and plays the devices; a folder on a plain web host has
 * none (`npm run static`).
 */
export const hasServer = (): boolean => !import.meta.env.VITE_STATIC
