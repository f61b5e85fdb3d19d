/**
 * Whether something was ever true: what is opened now and then is fetched when it is opened first, and stays.
 * @example const helped = useOnce(() => sheets.help.value)
 */
export function useOnce(open: () => boolean): Ref<boolean> {
  const was = ref(false)
  whenever(open, () => (was.value = true), { immediate: true })
  return was
}
