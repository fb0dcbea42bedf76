/** What the module for installed apps makes while it is built. */
declare module 'virtual:pwa-register' {
  export function registerSW(options: { onNeedRefresh?: () => void }): (reload?: boolean) => Promise<void>
}
