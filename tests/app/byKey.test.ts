import { computed, ref, shallowReactive } from 'vue'
import { describe, expect, it } from 'vitest'
import { useByKey } from '~/composables/useByKey'

describe('values by key', () => {
  it('are reckoned anew alone, and only when what they read has changed', () => {
    const source = shallowReactive(new Map([['a', 1]]))
    const minute = ref(0)
    const made: string[] = []
    const doubled = useByKey(key => {
      made.push(key)
      return (source.get(key) ?? 0) * 2 + minute.value
    })
    expect([doubled('a'), doubled('b'), doubled('a')]).toEqual([2, 0, 2])
    expect(made).toEqual(['a', 'b'])
    source.set('b', 5)
    expect([doubled('a'), doubled('b')]).toEqual([2, 10])
    expect(made).toEqual(['a', 'b', 'b'])
    minute.value = 1
    expect([doubled('a'), doubled('b')]).toEqual([3, 11])
    expect(made).toHaveLength(5)
  })
  it('that come out as before trouble nobody who reads them', () => {
    const log = ref([1, 2, 3])
    const evens = useByKey<readonly number[]>((_, before) => {
      const now = log.value.filter(n => n % 2 === 0)
      return before && before.length === now.length && before.every((n, i) => n === now[i]) ? before : now
    })
    let read = 0
    const sum = computed(() => {
      read++
      return evens('').reduce((s, n) => s + n, 0)
    })
    expect(sum.value).toBe(2)
    log.value = [2, 5]
    expect(sum.value).toBe(2)
    expect(read).toBe(1)
    log.value = [2, 4]
    expect(sum.value).toBe(6)
    expect(read).toBe(2)
  })
})
