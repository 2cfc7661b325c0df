import type { BehaviourName } from './behaviours';

/** How the addresses answer that the shells of the demo lead to, host and path; all others are fine. */
export const demoPlaces: Readonly<Record<string, BehaviourName>> = {
  'glossary.streamnotes.example/shade': 'gone',
  'glossary.streamnotes.example/forms': 'moved',
  'glossary.streamnotes.example/datum': 'moved',
  'gear.streamnotes.example/meter': 'gone-for-good',
  'gear.streamnotes.example/kit': 'to-sign-in',
  'gear.streamnotes.example/posters': 'says-gone',
  'keys.benthos.example/': 'fault',
  'data.rivergauges.example/': 'moved',
  'safety.streamnotes.example/throw-bag': 'no-head',
  'sheets.oldmaps.example/view': 'gone',
};
