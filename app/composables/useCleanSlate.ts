import { typedKeys } from '~/forms/typedKeys'

/** Another room begins with a clean slate: what was typed for the last one, and who kept it, means nothing in it. */
export function useCleanSlate() {
  const settings = useSettingsStore()
  const logSheet = useLogSheetStore()
  watch(
    () => settings.roomId,
    (_, before) => {
      if (!before) return
      for (const key of Object.values(typedKeys)) {
        localStorage.removeItem(key)
        sessionStorage.removeItem(key)
      }
      logSheet.forget()
      settings.keeper = ''
    },
  )
}
