/** What newcomers hesitate about: signs of bodies and broods that are told apart by looking. */
export const signTopics = ['skin', 'eggs', 'neck', 'sexes', 'shell', 'clutch', 'limb'] as const
export type SignTopic = (typeof signTopics)[number]

export const topicTitle: Readonly<Record<SignTopic, string>> = {
  skin: 'Shed skin or dead animal?',
  eggs: 'Saddle, fresh eggs or eggs with eyes?',
  neck: 'About to molt, or in trouble?',
  sexes: 'Female or male?',
  shell: 'What a shell says',
  clutch: 'How far is the clutch?',
  limb: 'Does the limb come back?',
}

/** One sign: how it is told, and what to do. All of it is common practice. */
export interface Sign {
  topic: SignTopic
  title: string
  says: string
}

export const signs = {
  shedSkin: {
    topic: 'skin',
    title: 'Shed skin',
    says: 'Clear, empty, split behind the head, and still. Good news: leave it in, others eat it for the minerals.',
  },
  dead: {
    topic: 'skin',
    title: 'Dead animal',
    says: 'Pink or milky all through, not clear. Take it out, and test the water when there is more than one.',
  },
  saddle: {
    topic: 'eggs',
    title: 'Saddle',
    says: 'A patch on the back behind the head: ovaries. They are eggs after the next molt, not yet carried.',
  },
  freshEggs: {
    topic: 'eggs',
    title: 'Fresh eggs',
    says: 'A dense, even bunch under the tail, in one colour. Weeks are left.',
  },
  eyedEggs: {
    topic: 'eggs',
    title: 'Eggs with eyes',
    says:
      'Paler, with two dark dots in each. They hatch within days; when every egg shows its dots, within about a ' +
      'day.',
  },
  healthyNeck: {
    topic: 'neck',
    title: 'About to molt',
    says: 'Still, and not eating for a day, the back in one piece. Leave it in peace; pale afterwards is no illness.',
  },
  gap: {
    topic: 'neck',
    title: 'Gap at the neck',
    says:
      'A white ring right round between head and tail: the skin has split and does not come off. Look at GH and ' +
      'KH first.',
  },
  shrimpFemale: {
    topic: 'sexes',
    title: 'Shrimp, female',
    says: 'Larger, deeper in colour, with a curved belly and a wide underside that shelters the eggs.',
  },
  shrimpMale: {
    topic: 'sexes',
    title: 'Shrimp, male',
    says: 'Smaller and slimmer, straight underneath.',
  },
  riverFemale: {
    topic: 'sexes',
    title: 'River shrimp, female',
    says: 'The side marks run together into dashes. Weak evidence, and useless in the young.',
  },
  riverMale: {
    topic: 'sexes',
    title: 'River shrimp, male',
    says: 'The side marks stay dots. Weak evidence, and useless in the young.',
  },
  crayFemale: {
    topic: 'sexes',
    title: 'Crayfish, female',
    says: 'Seen from below the place between walking legs and swimmerets is smooth.',
  },
  crayMale: {
    topic: 'sexes',
    title: 'Crayfish, male',
    says: 'Seen from below two small extra limbs lie forwards between walking legs and swimmerets.',
  },
  evenShell: {
    topic: 'shell',
    title: 'Even whorls',
    says: 'The same all the way: calcium was there. The newest edge speaks of the water now.',
  },
  whiteShell: {
    topic: 'shell',
    title: 'White patches inside',
    says: 'The inner whorls are of its youth: calcium was missing then. It says nothing of today.',
  },
  pitShell: {
    topic: 'shell',
    title: 'Pits and a worn tip',
    says: 'Dissolving now: the water is acid or poor in calcium. Test pH, KH and GH.',
  },
  freshClutch: {
    topic: 'clutch',
    title: 'Fresh clutch',
    says: 'Tight, moist and in full colour. Damp air, never wet.',
  },
  ripeClutch: {
    topic: 'clutch',
    title: 'Ripe clutch',
    says: 'Pale and dusty, dark shadows in each egg. It hatches within days: look every day.',
  },
  hatchedClutch: {
    topic: 'clutch',
    title: 'Hatched clutch',
    says: 'Crumbling and full of holes. Leave it: the young eat what is left of it for days.',
  },
  wholeLimb: {
    topic: 'limb',
    title: 'Whole limb',
    says: 'All joints are there. After one or two molts a new one is as long as the others.',
  },
  limbBud: {
    topic: 'limb',
    title: 'Limb bud',
    says: 'A small soft knob on the stump: it comes back with the next molts. Several lost at once: keep it apart.',
  },
} as const satisfies Readonly<Record<string, Sign>>
export type SignId = keyof typeof signs
export const signIds = Object.keys(signs) as SignId[]
export const signsOf = (topic: SignTopic): SignId[] => signIds.filter(id => signs[id].topic === topic)

/** The topic that helps with a kind of entry or a counter of the round. */
export const topicOf: Readonly<Partial<Record<string, SignTopic>>> = {
  molts: 'skin',
  death: 'skin',
  dead: 'skin',
  berried: 'eggs',
  failedMolt: 'neck',
  shell: 'shell',
  clutch: 'clutch',
  limbLoss: 'limb',
  count: 'sexes',
}
