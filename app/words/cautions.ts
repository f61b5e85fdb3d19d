import type { CautionKey } from '#core/groups'

/** Cautions by key, short, deferring to local rules, labels and licensed practice. They stand at the step. */
const cautions: Readonly<Record<CautionKey, string>> = {
  neverRelease:
    'Never release animals, plants, eggs or tank water. Check your local rules on keeping and passing on this kind.',
  linesCross: 'Colour lines of one species cross and fall back to dull: keep them in separate glasses.',
  copper: 'Copper kills shrimp and snails: no copper pipes, no medicines with copper.',
  cover: 'These animals climb: keep the glass covered, cable gaps closed.',
  electricity: 'Mains and water: drip loops, a residual-current device, and unplug before hands go in.',
  wildProtected: 'Some wild species are protected: collect and buy only what your local rules allow.',
  permit: 'Banned or under permit in many places: ask your authority before you keep, sell or ship them.',
  larvaeNeedSea: 'Larvae die within hours in fresh water, grown animals within minutes in the sea.',
  softWaterSlow: 'Soft-water animals take changes badly: go slower than with others.',
  washHands: 'Snails and tank water carry pathogens: wash hands, never siphon by mouth.',
  dewormers: 'Dewormers kill many snails: keep treated water and nets apart, and follow the label and a vet.',
  medicine:
    'Dose by active substance and net water, gloves on, away from food and children. What is allowed differs from ' +
    'place to place; treated water does not go into drains or nature.',
  hides: 'One hide for each animal: they eat each other after a molt.',
  seaSalt: 'Mix sea salt outside the glass, never over the animals; keep it away from children and sockets.',
  snailBoom: 'They can reach hundreds in weeks: have an outlet before the animals are there.',
  allergy: 'Dried shellfish and powders can trigger allergies: handle them with care.',
  salts: 'Salts: wear gloves, keep them dry, labelled and out of reach of children. Weigh on a scale, not by spoon.',
  culling: 'Cull only humanely and as your local rules allow; a vet can tell you how.',
}

/** The sentence of a caution. */
export const cautionText = (key: CautionKey): string => cautions[key]
