/** What one unit of GEO 130 Reading Maps teaches, written by hand. */
export interface Unit {
  readonly title: string;
  readonly pages: readonly (readonly [title: string, text: string])[];
  readonly task: readonly [title: string, text: string];
  readonly quiz: readonly (readonly [stem: string, answers: readonly string[], right: number])[];
}

export const units: readonly Unit[] = [
  {
    title: 'What a map leaves out',
    pages: [
      [
        'Three maps of one hill',
        'The same hill stands on a walkers’ map, a soil map and a plan for a mast. Each is right, and none shows what the others are for. Before you read a map, ask who paid for it.',
      ],
      [
        'The smallest thing that counts',
        'At one to fifty thousand a house is a dot as wide as a road. Whatever is smaller than a pencil’s line was either left out or made larger than it is.',
      ],
    ],
    task: [
      'A map of your way here',
      'Draw your way to the college from memory, then walk it again with the drawing in your hand and mark what you forgot in red.',
    ],
    quiz: [
      [
        'What tells you most about what a map leaves out?',
        ['Its colours', 'What it was made for', 'Its paper'],
        1,
      ],
    ],
  },
  {
    title: 'Scale and distance',
    pages: [
      [
        'Paces, threads and dividers',
        'Lay a thread along the path, pull it straight and hold it to the bar. On a winding path you will still be short: the map has smoothed the bends before you did.',
      ],
      [
        'Large scale, small country',
        'A large scale shows a small piece of land in detail. The words mislead nearly everybody once; write one to ten thousand beside one to a million and see which fraction is larger.',
      ],
    ],
    task: [
      'How long is the valley road?',
      'Measure the valley road on three maps of different scale with thread and dividers. Explain in half a page why you have three lengths.',
    ],
    quiz: [['Which scale is the larger one?', ['1 : 10 000', '1 : 250 000'], 0]],
  },
  {
    title: 'Contours',
    pages: [
      [
        'Reading slope with a fingernail',
        'Where the contours stand closer than the white of your nail, you will use your hands to climb. Where a whole finger fits between them, you can push a cart.',
      ],
      [
        'Ridges and gullies',
        'Contours bend towards the height in a gully and away from it on a ridge. Follow one line all the way round before you decide which of the two you see.',
      ],
    ],
    task: [
      'A profile across Tarn Hollow',
      'Draw the profile from the church to the upper tarn along the given line, five times exaggerated, and say what the exaggeration does to the eye.',
    ],
    quiz: [['In a gully, contours bend …', ['towards the height', 'away from the height'], 0]],
  },
  {
    title: 'Grids and references',
    pages: [
      [
        'Along the corridor, up the stairs',
        'A reference names a square by its corner, east before north. Six figures find a house, eight find the door; more than that is more than the map knows.',
      ],
      [
        'Three norths',
        'The grid has a north, the compass has one, and the earth has one. In this valley they lie within two degrees; write down which one you used.',
      ],
    ],
    task: [
      'Ten references',
      'Find the ten places by their references and give back ten of your own, one of them wrong on purpose, for your neighbour to catch.',
    ],
    quiz: [['Which comes first in a grid reference?', ['North', 'East'], 1]],
  },
  {
    title: 'Signs and legends',
    pages: [
      [
        'Points, lines and areas',
        'A sign says what sort of thing stands there before it says which. Points for what you could walk around, lines for what you walk along, areas for what you walk through.',
      ],
      [
        'Colour that everybody can read',
        'One reader in twenty takes your red for your green. Give every colour a pattern or a shape to lean on, and print the map once in grey.',
      ],
    ],
    task: [
      'A legend for the campus',
      'Make a legend of twelve signs for the campus that somebody who reads no English could use.',
    ],
    quiz: [['What should stand beside every colour?', ['A second sign', 'Its name in Latin'], 0]],
  },
  {
    title: 'Projections',
    pages: [
      [
        'Peeling an orange',
        'Peel an orange in one piece and press it flat. Whatever you do, it tears or it stretches; a projection only chooses where.',
      ],
      [
        'Area or angle',
        'Keep the angles and Greenland swells; keep the areas and the coast leans. There is no third map that keeps both.',
      ],
    ],
    task: [
      'Two worlds',
      'Put the same five countries on both sheets and write down which question each sheet answers better.',
    ],
    quiz: [
      [
        'Which can a flat map of the world keep?',
        ['Areas and angles both', 'Areas or angles', 'All distances'],
        1,
      ],
    ],
  },
  {
    title: 'Old maps',
    pages: [
      [
        'Sea monsters mean “I do not know”',
        'The monster stands where the maker had neither a coast nor a story. An empty white would have been braver and sold worse.',
      ],
      [
        'Laying old over new',
        'Find four points that cannot have moved: a church, a bridge, a crossing, a rock. If the fifth does not fit, the old map was drawn by pace.',
      ],
    ],
    task: [
      'The mill that moved',
      'Compare the two old sheets of Mill Lane with today’s and find out whether the mill moved or the stream did.',
    ],
    quiz: [['Which makes the best fixed point?', ['A tree', 'A church', 'A ford'], 1]],
  },
  {
    title: 'Maps from numbers',
    pages: [
      [
        'Choosing the steps',
        'Five steps show a pattern, twelve show noise. Change the steps and the same numbers tell another story, so say how you chose them.',
      ],
      [
        'Counts and rates',
        'A map of counts is a map of where people live. Divide by how many there are before you colour anything.',
      ],
    ],
    task: [
      'The same numbers twice',
      'Colour the parish table twice with other steps, so that a reader would draw opposite conclusions, and write the honest caption.',
    ],
    quiz: [['What should be coloured by area?', ['Counts', 'Rates'], 1]],
  },
  {
    title: 'Maps on a screen',
    pages: [
      [
        'Tiles',
        'A screen map is a wall of small pictures, each drawn for one zoom. What vanishes when you zoom out was dropped by a rule that somebody wrote.',
      ],
      [
        'The blue dot',
        'The dot is a guess with a radius. In a narrow street the radius is wider than the street.',
      ],
    ],
    task: [
      'Zoom diary',
      'Zoom out step by step from the college and write down what is gone at each step, and what that says of the maker’s rule.',
    ],
    quiz: [['What is the circle around the dot?', ['How sure the guess is', 'How far you can walk'], 0]],
  },
  {
    title: 'Making your own',
    pages: [
      [
        'One map, one sentence',
        'Write the sentence that the map should say before you draw the first line. Whatever does not help the sentence goes.',
      ],
      [
        'The last look',
        'Hang it on a wall and walk back four steps. If the first thing you see is the frame, the frame is too strong.',
      ],
    ],
    task: [
      'Your map',
      'Hand in one map of one sentence about a place that you can walk to, with its sources and the steps that you chose.',
    ],
    quiz: [['What comes first?', ['The sentence', 'The frame', 'The colours'], 0]],
  },
];
