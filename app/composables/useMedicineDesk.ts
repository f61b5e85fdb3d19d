import { momentMs, toMoment } from '#core/records'
import { harmed, planTreatment, type SubstanceId, substanceIds, substances, treatmentCourse } from '#core/water'
import { numberIn, readNumber } from '~/forms/readNumber'
import { courseDrawing, courseText, substanceWord } from '~/words/medicine'

/** A treatment of the glass at hand: what is given, where its course stands, and the log of it. */
export function useMedicineDesk() {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const substance = ref<SubstanceId>('fenbendazole')
  const dose = ref('')
  const strength = ref('22.2')
  const stock = ref('')
  watch(substance, s => (dose.value = String(substances[s].usualMgL)), { immediate: true })
  const water = useNetToTreat()

  const doseRead = computed(() => readNumber(dose.value, { low: 0.01, high: 1000, unit: 'mg/L' }))
  const strengthRead = computed(() => readNumber(strength.value, { low: 0.01, high: 100, unit: '%' }))
  const { doses, course, other } = useCourse(substance)
  const plan = computed(() => {
    if (!doseRead.value.ok || !strengthRead.value.ok || !water.netRead.value.ok) return null
    const per100 = numberIn(stock.value, { low: 0.01, high: 20 })
    return planTreatment({
      substance: substance.value,
      activeMgL: doseRead.value.value,
      strength: strengthRead.value.value / 100,
      netL: water.netRead.value.value,
      startMs: course.value.dosesMs[0] ?? desk.nowMs,
      ...(per100 !== null && { stockGPer100Ml: per100 }),
    })
  })
  /** what stands in the way of a dose now, in a sentence; empty when nothing does */
  const refused = computed(() => courseText(course.value, substance.value, desk.nowMs))
  const drawing = computed(() => {
    if (!plan.value?.ok || !doseRead.value.ok) return null
    return courseDrawing({ ...plan.value, substance: substance.value, activeMgL: doseRead.value.value }, desk.nowMs)
  })
  const victims = computed(() => {
    const kinds = harmed(
      substance.value,
      desk.groups.map(g => g.group.company.kind),
    )
    return desk.groups.filter(g => kinds.includes(g.group.company.kind)).map(g => g.group.name)
  })
  const given = computed(() => doses.value.toReversed())
  const read = ref(false)
  const give = useGiving({ substance, plan, netRead: water.netRead, read })
  return reactive({
    substance,
    dose,
    strength,
    stock,
    ...water,
    doseRead,
    strengthRead,
    course,
    plan,
    refused,
    drawing,
    other,
    victims,
    given,
    read,
    give,
    units: toRef(settings, 'units'),
  })
}
export type MedicineDesk = ReturnType<typeof useMedicineDesk>

/** What was given in this glass, and where the course of a substance stands. */
function useCourse(substance: Ref<SubstanceId>) {
  const desk = useWaterDeskStore()
  const doses = computed(() =>
    desk.standing.filter(e => e.kind === 'treatment').map(e => ({ ...e, atMs: momentMs(e.at) })),
  )
  const courseOf = (s: SubstanceId) =>
    treatmentCourse(
      s,
      doses.value.filter(e => e.substance === s).map(e => e.atMs),
      desk.nowMs,
    )
  const course = computed(() => courseOf(substance.value))
  /** another substance that still works */
  const other = computed(() => substanceIds.find(s => s !== substance.value && courseOf(s).given > 0))
  return { doses, course, other }
}

/** Net litres that a dose is reckoned for: asked for where nobody ever said how full the glass is. */
function useNetToTreat() {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const { save } = useSave()
  const net = ref('')
  const filled = ref('')
  const { unit: litreUnit, read: netRead, fill: fillNet } = useLitres(net, 0.1, 5000)
  watch(
    [() => desk.glassId, () => desk.netL, () => settings.units.volume],
    () => {
      fillNet(desk.netL)
      filled.value = net.value
    },
    { immediate: true },
  )
  const assumed = computed(() => desk.glass?.fill.by === 'height' && desk.glass.fill.assumed === true)
  /** a fill that was only taken for granted, and litres that the keeper did not change */
  const unsure = computed(() => assumed.value && net.value === filled.value)
  /** The fill is as it was taken to be. */
  async function confirmFill() {
    const glass = desk.glass
    if (glass?.fill.by !== 'height') return
    await save('glasses', { ...glass, fill: { by: 'height', share: glass.fill.share } })
  }
  return { net, litreUnit, netRead, unsure, confirmFill }
}

/** Logging a dose. */
function useGiving(of: {
  substance: Ref<SubstanceId>
  plan: Ref<ReturnType<typeof planTreatment> | null>
  netRead: Ref<ReturnType<typeof readNumber>>
  read: Ref<boolean>
}) {
  const desk = useWaterDeskStore()
  const log = useLogStore()
  return async function give() {
    const plan = of.plan.value
    if (!plan?.ok || !desk.glass || !of.netRead.value.ok) return
    const saved = await log.save(
      {
        ...log.stamp(),
        at: toMoment(Date.now()),
        kind: 'treatment',
        glassId: desk.glass.id,
        substance: of.substance.value,
        activeMg: Number(plan.dose.activeMg.toFixed(3)),
        netL: of.netRead.value.value,
      },
      `${desk.glass.name}: ${substanceWord(of.substance.value)} logged.`,
    )
    if (saved) of.read.value = false
  }
}
