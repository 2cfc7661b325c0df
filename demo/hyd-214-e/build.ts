import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { asOf, previousTerm, term, timeZone } from '../hyd-214/build';
import { statements, statementPage } from '../template/build';

/** HYD 214-E, the evening group of the same course: nearly empty, about to receive the day group's package. */
export function buildHyd214E(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('hyd-214-e-spring-2027'),
    code: 'HYD 214-E',
    title: 'Stream Ecology Field Methods, evening group',
    term,
    previousTerm,
    asOf,
    timeZone,
  });
  const about = c.module('About every course', { ref: 'about' });
  statements.forEach(([title], i) =>
    c.page(title, statementPage(i), {
      ref: `about-${i + 1}`,
      parent: about,
      path: `about/statement-${i + 1}.html`,
    }),
  );
  const start = c.module('Start here', { ref: 'evening-start' });
  c.page(
    'The evening group',
    '<html lang="en"><head><title>The evening group</title></head><body><h1>The evening group</h1><p>We meet on Tuesdays at six in Laboratory 2, and on four Saturdays at the water. The weeks are those of the day group; the van leaves at nine, not at a quarter past eight.</p></body></html>',
    { ref: 'evening-1', parent: start, path: 'start/evening.html' },
  );
  c.page(
    'Where the sites are',
    '<html lang="en"><head><title>Where the sites are</title></head><body><h1>Where the sites are</h1><p>Saturdays begin at Alder Bridge; the other sites are told a week before, by the level of the water.</p></body></html>',
    { ref: 'evening-2', parent: start, path: 'start/sites.html' },
  );
  c.module('Week 1: Reading a stream', { ref: 'evening-week-1' });
  c.module('Week 2: Safety in and beside water', { ref: 'evening-week-2' });
  return c;
}
