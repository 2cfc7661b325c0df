import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { chainsOf, type Chain } from './chains';
import { linkGraphOf } from './graph';

/** A week that leads to a guide outside the outline, which shows a picture; a hidden page links to a map. */
function streamShell() {
  const composer = new ShellComposer();
  composer.module('Week 3', { ref: 'week' });
  composer.page('Reading the gauge', '<a href="guide.html">guide</a>', {
    ref: 'gauge',
    parent: 'week',
    path: 'gauge.html',
  });
  composer.page('Field guide', '<img src="ford.png">', { ref: 'guide', outside: true, path: 'guide.html' });
  composer.page('Old notes', '<a href="map.png">map</a><a href="ford.png">ford</a>', {
    ref: 'notes',
    shown: false,
    path: 'notes.html',
  });
  composer.page('Alone', '<p>text</p>', { ref: 'alone', outside: true, path: 'alone.html' });
  for (const name of ['ford.png', 'map.png', 'unused.png']) composer.file(name, name);
  return composer.shell();
}
const lines = (chain: Chain | null) =>
  chain?.map(({ title, path, isShown, leads }) =>
    [[...path, title].join(' › '), isShown === false ? '(hidden)' : '', leads ?? '']
      .filter(Boolean)
      .join(' '),
  );

describe('the chain that leads to a thing', () => {
  const shell = streamShell();
  const chainTo = chainsOf(shell, linkGraphOf(shell));
  const guide = shell.items.find((item) => item.title === 'Field guide')?.ref ?? '';
  const alone = shell.items.find((item) => item.title === 'Alone')?.ref ?? '';

  test('goes from the outline over pages outside it', () => {
    expect(lines(chainTo({ type: 'file', ref: 'ford.png' }))).toEqual([
      'Week 3 › Reading the gauge links to',
      'Field guide shows',
      'ford.png',
    ]);
    expect(lines(chainTo({ type: 'item', ref: guide }))).toEqual([
      'Week 3 › Reading the gauge links to',
      'Field guide',
    ]);
  });
  test('begins at something hidden only where nothing shown leads there', () => {
    expect(lines(chainTo({ type: 'file', ref: 'map.png' }))).toEqual([
      'Old notes (hidden) links to',
      'map.png',
    ]);
  });
  test('is null where nothing leads to it', () => {
    expect(chainTo({ type: 'file', ref: 'unused.png' })).toBeNull();
    expect(chainTo({ type: 'item', ref: alone })).toBeNull();
    expect(chainTo({ type: 'item', ref: 'gauge' })).toBeNull();
    expect(chainTo({ type: 'event', ref: 'e' })).toBeNull();
  });
});
