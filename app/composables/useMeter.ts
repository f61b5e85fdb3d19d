import type { Picture } from '#core/counting'
import type { AnimalMeasured, GradedPhoto, RungSuggested, Spot } from '#core/meter'
import { currentEntries, type EntryOf, type Ladder, spanOf } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'
import { METER_EDGE_PX, readPicture } from '~/files/readPicture'
import type { MeterApi } from '~/workers/meter.worker'

/** What one picture of the meter is: a photo of the keeper’s, or one of the stand-in camera with what is true of it. */
interface MeterPicture {
  picture: Picture
  file: File | null
  truth: { cover: number } | null
}

/** The grade meter of one colony: a picture, what is tapped on it, what is measured, and the rung that it may be. */
export function useMeter(colonyId: Ref<string>) {
  const photos = usePhotos()
  const worker = useWorker<MeterApi>(
    () => new Worker(new URL('../workers/meter.worker.ts', import.meta.url), { type: 'module', name: 'meter' }),
  )
  const held = useColonyLadder(colonyId)
  const { ladder, rungs } = held
  const at = useMeterPicture(worker)
  const { shown, spots, card, problem } = at
  const measured = shallowRef<AnimalMeasured | 'noCard' | 'noAnimal' | null>(null)
  const suggested = shallowRef<RungSuggested | null>(null)
  const practised = ref<GradedPhoto[]>([])
  const own = useGradedPhotos(ladder)
  const learntFrom = computed(() => (shown.value?.truth ? practised.value : own.value))

  watch(shown, () => (measured.value = suggested.value = null))
  watch([spots, card], async () => {
    const { animal, card: cardAt } = spots.value
    if (!shown.value || !animal || !cardAt) return
    const where = { animal: { ...animal }, card: { ...cardAt }, kind: card.value }
    const learnt = { photos: learntFrom.value.map(p => ({ ...p })), rungs: rungs.value.length }
    const read = await worker.run(api => api.read(shown.value!.picture, where, learnt))
    measured.value = read?.found ?? null
    suggested.value = read?.suggested ?? null
  })

  /** Keeps what was measured with the rung that the keeper gives it; practice is kept for this visit alone. */
  async function keep(k: number) {
    const [found, picture, rung] = [measured.value, shown.value, rungs.value[k]]
    if (!picture || !found || typeof found === 'string' || !ladder.value || !rung) return
    const { cover, depth } = found
    if (picture.file) {
      const meter = { ladderId: ladder.value.id, rungId: rung.id, cover, depth: Math.min(200, depth) }
      const subject = { colonyId: colonyId.value }
      const wrong = await photos.keep(picture.file, subject, `${rung.words}: kept with its photo.`, { meter })
      problem.value = wrong ?? ''
      if (wrong === '') shown.value = null
    } else {
      practised.value = [...practised.value, { rung: k, cover, depth }]
      await at.practise()
    }
  }
  return { ...held, ...at, measured, suggested, learntFrom, worker, keep }
}

/** The picture that is measured, and where on it the animal and the card are. */
function useMeterPicture(worker: ReturnType<typeof useWorker<MeterApi>>) {
  const shown = shallowRef<MeterPicture | null>(null)
  const spots = ref<{ animal: Spot | null; card: Spot | null }>({ animal: null, card: null })
  const card = ref<'white' | 'grey'>('white')
  const problem = ref('')
  async function show(next: MeterPicture) {
    problem.value = ''
    // where the animal is is suggested, and may be tapped anew
    const animal = (await worker.run(api => api.guess(next.picture))) ?? null
    shown.value = next
    spots.value = { animal, card: null }
  }
  async function open(file: File) {
    const read = await readPicture(file, METER_EDGE_PX)
    if (read.ok) await show({ picture: read.picture, file, truth: null })
    else problem.value = read.problem
  }
  async function practise() {
    const seed = crypto.getRandomValues(new Uint32Array(1))[0]! % 1_000_000_007
    const made = await worker.run(api => api.practice(seed))
    if (!made) return
    card.value = made.card
    const { width, height, data, cover } = made.picture
    await show({ picture: { width, height, data }, file: null, truth: { cover } })
  }
  return { shown, spots, card, problem, open, practise }
}

/** Photos that were graded on a ladder, of all colonies; a rung that was split counts as the lowest of its parts. */
function useGradedPhotos(ladder: Readonly<Ref<Ladder | undefined>>) {
  const { value: log } = useLiveQuery(() => entriesOfKinds(openDb(), ['photo', 'withdrawal'], 0), [])
  return computed<GradedPhoto[]>(() =>
    currentEntries(log.value)
      .filter((e): e is EntryOf<'photo'> => e.kind === 'photo' && e.meter?.ladderId === ladder.value?.id)
      .flatMap(({ meter }) => {
        const span = meter && ladder.value && spanOf(ladder.value, meter.rungId)
        return span ? [{ rung: span.from, cover: meter.cover, depth: meter.depth }] : []
      }),
  )
}
