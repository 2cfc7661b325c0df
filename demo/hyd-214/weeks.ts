/** What one week of HYD 214 teaches, written by hand; the files around it are made from it. */
export interface Week {
  readonly title: string;
  readonly aim: string;
  readonly pages: readonly (readonly [title: string, text: string])[];
  readonly lab: readonly [title: string, text: string];
  readonly talk: readonly [title: string, text: string];
  readonly quiz: readonly (readonly [stem: string, answers: readonly string[], right: number])[];
  readonly links: readonly (readonly [title: string, url: string])[];
  readonly site: string;
}

const gauge = 'https://data.rivergauges.example/';
const keys = 'https://keys.benthos.example/';

export const weeks: readonly Week[] = [
  {
    title: 'Reading a stream',
    aim: 'By Friday you can walk a reach, name its parts, and say which way the water sorts its load. You also pack the kit that every later week depends on.',
    pages: [
      [
        'Riffle, run and pool',
        'A riffle is shallow and rough, and you hear it before you see it. A run is smooth and quick. A pool is where the current lets go of what it carried. Walk from one to the next and feel the bed change under your boots.',
      ],
      [
        'Drawing a reach map',
        'Pace the bank with the tape taut, mark every ten metres, and sketch what the water does at each mark. A good map shows north, the flow arrow, large wood, and the two places where you could get out in a hurry.',
      ],
      [
        'What to wear',
        'Layers, wool socks, a hat in your pocket. Waders need a belt. Cotton stays wet until you are home, so leave it there.',
      ],
    ],
    lab: [
      'Reach map of Alder Bridge',
      'Map one hundred metres below Alder Bridge in pairs. Hand in the pencil original, photographed flat and in daylight, with a scale bar that somebody else could use.',
    ],
    talk: [
      'Where did you first notice moving water?',
      '<p>Tell the group about a stream you know, and one thing it does after rain that it does not do in summer.</p>',
    ],
    quiz: [
      ['Which habitat is loudest at low flow?', ['Pool', 'Riffle', 'Run'], 1],
      ['What must every reach map show?', ['A flow arrow', 'Air temperature'], 0],
    ],
    links: [
      ['Station list of the lower valley', `${gauge}stations/lower-valley`],
      ['Glossary of channel forms', 'https://glossary.streamnotes.example/forms'],
    ],
    site: 'Alder Bridge',
  },
  {
    title: 'Safety in and beside water',
    aim: 'Nobody goes in before everybody can get out. This week is the permit for all the field days that follow.',
    pages: [
      [
        'The knee rule',
        'Depth in metres times speed in metres a second: above one, stay out. Fast water at the knee pushes harder than slow water at the waist. When in doubt, throw a stick and count.',
      ],
      [
        'Throw bags and whistles',
        'Shout, throw, and brace; never jump in after somebody. One blast means look here, three mean help. Practise from the bank until the bag lands in the upstream hand nine times of ten.',
      ],
      [
        'Cold and how it creeps',
        'Shivering is a warning, its end is an emergency. Swap the recorder every twenty minutes, since it is the person who stands still who freezes.',
      ],
    ],
    lab: [
      'Risk sheet for your site',
      'Fill in the risk sheet for the site that you drew last week. Name the exits, the phone spot, and the person who turns the group around.',
    ],
    talk: [
      'A near miss and what it taught',
      '<p>Describe a moment outdoors when a plan nearly failed. What was the first sign that you could have read earlier?</p>',
    ],
    quiz: [
      ['Three whistle blasts mean', ['Look here', 'Help', 'Lunch'], 1],
      ['Who cools down fastest?', ['The one who wades', 'The recorder'], 1],
    ],
    links: [
      ['Tide and flow notices', `${gauge}notices`],
      ['Throw bag drill, step by step', 'https://safety.streamnotes.example/throw-bag'],
    ],
    site: 'Mill Weir',
  },
  {
    title: 'Stage and the staff gauge',
    aim: 'You read a staff gauge the same way twice, and you know how wrong you may be.',
    pages: [
      [
        'Reading the staff gauge',
        'Stand downstream of the gauge and read at eye level, where the water meets the scale. Note the height to the nearest five millimetres, the time, and whether the surface is calm. Repeat after ten minutes; if two readings differ by more than a centimetre, take a third.',
      ],
      [
        'Why a datum matters',
        'Stage is a height above an agreed zero, not the depth of water. If the zero moves, a hundred years of record move with it, so the brass pin in the bridge is surveyed every spring.',
      ],
      [
        'Crest stage marks',
        'Cork dust in a pipe remembers the highest water since your last visit. Read the line, wash the stick, put in fresh dust, and write down who did it.',
      ],
    ],
    lab: [
      'Ten readings at Mill Weir',
      'Take ten stage readings five minutes apart, alternate readers, and hand in the table with the mean and the largest difference between two readers.',
    ],
    talk: [
      'Who reads better?',
      '<p>Compare your pair’s readings with those of another pair. Where do the differences come from?</p>',
    ],
    quiz: [
      ['Stage is measured from', ['the bed', 'a datum', 'the bank'], 1],
      ['Two readings differ by 2 cm. You', ['take a third', 'average them'], 0],
    ],
    links: [
      ['Live stage at Mill Weir', `${gauge}mill-weir/stage`],
      ['How a datum is surveyed', 'https://glossary.streamnotes.example/datum'],
    ],
    site: 'Mill Weir',
  },
  {
    title: 'Velocity and discharge',
    aim: 'From a tape, a rod and a meter you get a number in cubic metres a second, and you can defend it.',
    pages: [
      [
        'The velocity-area method',
        'Cut the section into at least twenty slices, none carrying more than a tenth of the flow. Measure depth and speed in each, multiply, add. The arithmetic is easy; keeping the tape level in wind is not.',
      ],
      [
        'Six tenths down',
        'In water shallower than three quarters of a metre, one reading at six tenths of the depth stands for the whole column. In deeper water take two, at two and eight tenths, and average them.',
      ],
      [
        'Floats, when the meter fails',
        'An orange floats half sunk and is easy to see. Time it over twenty metres three times, and multiply by 0.85, since the surface runs ahead of the rest.',
      ],
    ],
    lab: [
      'Discharge at Otter Riffle',
      'Measure discharge once with the meter and once with floats. Report both to three figures, and say which you would bet on.',
    ],
    talk: [
      'Which slice carried the most?',
      '<p>Post your section as a bar chart. Is there a slice with more than a tenth of the flow, and what would you do about it next time?</p>',
    ],
    quiz: [
      ['How many slices at least?', ['5', '10', '20'], 2],
      ['A surface float is corrected by', ['0.85', '1.15'], 0],
      ['In shallow water the meter stands at', ['0.2', '0.6', '0.8'], 1],
    ],
    links: [
      ['Rating measurements of the valley', `${gauge}ratings`],
      ['Meter care sheet', 'https://gear.streamnotes.example/meter'],
    ],
    site: 'Otter Riffle',
  },
  {
    title: 'Rating curves',
    aim: 'You turn stage into discharge with a curve that you fitted yourself, and you know where it must not be used.',
    pages: [
      [
        'From points to a curve',
        'Plot discharge against stage on logarithmic paper. If the control is stable the points fall near a line; its slope tells what kind of control it is.',
      ],
      [
        'Shifts after a flood',
        'A flood moves gravel, and the same stage then means another flow. Three measurements on one side of the curve in a row are a shift, not bad luck.',
      ],
      [
        'Beyond the last point',
        'A curve drawn past its highest measurement is a guess that looks like knowledge. Draw it dashed, and say so in the table.',
      ],
    ],
    lab: [
      'Fit a curve for Mill Weir',
      'Use the fourteen measurements in the data file. Fit the curve by eye first, then by least squares, and mark the stage above which you would not use it.',
    ],
    talk: [
      'Would you trust it in a flood?',
      '<p>A farmer asks for the flow at a stage thirty centimetres above your last point. What do you answer, and what do you not say?</p>',
    ],
    quiz: [
      ['Three points on one side in a row hint at', ['a shift', 'bad luck'], 0],
      ['Beyond the highest measurement a curve is drawn', ['bold', 'dashed'], 1],
    ],
    links: [
      ['Curve paper to print', 'https://gear.streamnotes.example/paper'],
      ['Mill Weir measurements', `${gauge}mill-weir/measurements`],
    ],
    site: 'Mill Weir',
  },
  {
    title: 'Turbidity and suspended load',
    aim: 'You measure how cloudy water is in three ways, and explain why the three do not agree.',
    pages: [
      [
        'Tube, disc and meter',
        'The tube costs little and tires the eye. The disc needs a deep pool. The meter is quick and lies when its glass is scratched, so it is wiped with the soft cloth and never with a sleeve.',
      ],
      [
        'Grab or integrate',
        'A bottle dipped at the surface misses the sand that travels near the bed. Lower the sampler at a steady pace and raise it at the same, without letting it rest on the bottom.',
      ],
      [
        'From cloudiness to load',
        'Turbidity is light, load is mass. The link between them holds for one stream and one season, and has to be made anew for the next.',
      ],
    ],
    lab: [
      'Three ways at Fallow Ford',
      'Measure at five points across the ford with tube, disc and meter. Make one figure that shows all three against the distance from the bank.',
    ],
    talk: [
      'What clouds your water?',
      '<p>After the weekend’s rain, say what you think was in suspension, and how you could find out with a filter and a kitchen scale.</p>',
    ],
    quiz: [
      ['Turbidity measures', ['mass', 'scattered light'], 1],
      ['The sampler is lowered', ['at a steady pace', 'in stops'], 0],
    ],
    links: [
      ['Turbidity at Fallow Ford', `${gauge}fallow-ford/turbidity`],
      ['Filter weighing sheet', 'https://gear.streamnotes.example/filters'],
    ],
    site: 'Fallow Ford',
  },
  {
    title: 'Temperature, oxygen, conductivity',
    aim: 'Three probes, one bucket, and a table of what can go wrong before you believe any of them.',
    pages: [
      [
        'Calibrate in the shade',
        'Let the standards come to the temperature of the stream, rinse twice, and write down the reading before you turn the knob. A calibration nobody wrote down did not happen.',
      ],
      [
        'A day in oxygen',
        'Plants make oxygen by day and all use it at night. The lowest value comes just before dawn, when nobody measures, so a logger stays out overnight.',
      ],
      [
        'Salt after snow',
        'Conductivity jumps when a thaw washes the road. Follow the jump downstream and you have measured how fast the water travels without touching it.',
      ],
    ],
    lab: [
      'A full day at Otter Riffle',
      'Take all three readings every two hours from six to twenty-two, in shifts. Hand in one plot with three axes that does not mislead.',
    ],
    talk: [
      'The number you did not believe',
      '<p>Post a reading that looked wrong. What did you do to find out whether the stream or the probe was to blame?</p>',
    ],
    quiz: [
      ['Oxygen is lowest', ['at noon', 'before dawn'], 1],
      ['Before adjusting you', ['write the reading down', 'rinse once'], 0],
    ],
    links: [
      ['Saturation table', 'https://glossary.streamnotes.example/saturation'],
      ['Otter Riffle logger', `${gauge}otter-riffle/logger`],
    ],
    site: 'Otter Riffle',
  },
  {
    title: 'Kick-net sampling',
    aim: 'Two people, one net, three minutes: a sample that somebody else could take again.',
    pages: [
      [
        'Kick-net sampling, step by step',
        'Set the net square to the current, its frame tight to the bed. Stand an arm’s length upstream and work the bed with your heels for one minute. Lift large stones into the mouth of the net and wipe them by hand. Move on upstream, never down.',
      ],
      [
        'Sorting the tray',
        'Pour, wait, look for movement. Pick until a full minute passes without finding anything new. White trays show dark animals, and a dark one shows the pale.',
      ],
      [
        'Preserve or release',
        'What can be named on the bank goes back alive. The rest goes into the jar with a label inside, in pencil, since ink bleeds and outside labels come off.',
      ],
    ],
    lab: [
      'Three kicks at Alder Bridge',
      'Take three one-minute kicks in riffle, run and margin. Sort on the bank, name to family where you can, and hand in the tally sheet.',
    ],
    talk: [
      'The animal that surprised you',
      '<p>Describe one animal from your tray so that others can guess its order before you tell.</p>',
    ],
    quiz: [
      ['You move between kicks', ['upstream', 'downstream'], 0],
      ['Labels are written in', ['ink', 'pencil'], 1],
    ],
    links: [
      ['Picture key to orders', `${keys}orders`],
      ['Net repair', 'https://gear.streamnotes.example/nets'],
    ],
    site: 'Alder Bridge',
  },
  {
    title: 'Knowing macroinvertebrates',
    aim: 'You tell mayfly from stonefly by tails and gills, and you know what you may leave at family.',
    pages: [
      [
        'Tails, gills and claws',
        'Two tails and two claws: stonefly. Three tails and one claw, with gills along the sides of the body: mayfly. There are mayflies with two tails; turn them over and look at the claw.',
      ],
      [
        'Caddis and their houses',
        'Sand, leaf, or nothing at all: the case is a clue, and the animal decides. Look at the plates behind the head before you trust the house.',
      ],
      [
        'How far to go',
        'Family is enough for the index that we use. Going on to genus takes a microscope, a winter, and somebody who checks you.',
      ],
    ],
    lab: [
      'Name twenty',
      'Name the twenty animals in your set to family. For each, write the one mark that decided.',
    ],
    talk: [
      'Pairs that are easily taken for each other',
      '<p>Choose two families that fooled you. Which mark settles it, and can it be seen on the bank?</p>',
    ],
    quiz: [
      ['One claw and side gills', ['stonefly', 'mayfly'], 1],
      ['For our index, name to', ['family', 'species'], 0],
    ],
    links: [
      ['Find the family, step by step', `${keys}families`],
      ['Plates of caddis cases', `${keys}caddis`],
    ],
    site: 'Laboratory 2',
  },
  {
    title: 'Indices and what they hide',
    aim: 'You work out three indices from one tray and argue about which of them a council should be told.',
    pages: [
      [
        'Counting richness',
        'Richness grows with effort: sort twice as long and you find more. Compare trays only at equal counts, by drawing a hundred animals at random.',
      ],
      [
        'Scores by tolerance',
        'Each family has a score for what it can bear. The mean of the scores is steadier than their sum, because it forgives a short list.',
      ],
      [
        'One number, many streams',
        'Two trays can have the same index and no family in common. Always print the list beneath the number.',
      ],
    ],
    lab: [
      'Three indices, one tray',
      'Work out richness, the tolerance mean and the share of the commonest family for your kick samples. One page, one table, one sentence for the council.',
    ],
    talk: [
      'What would you tell the council?',
      '<p>You have thirty seconds at the meeting. Which number do you bring, and which caveat?</p>',
    ],
    quiz: [
      ['Richness depends on', ['effort', 'nothing else'], 0],
      ['The mean score forgives', ['a short list', 'a dirty net'], 0],
    ],
    links: [
      ['Tolerance scores', `${keys}scores`],
      ['Worked sheet', 'https://glossary.streamnotes.example/indices'],
    ],
    site: 'Laboratory 2',
  },
  {
    title: 'Banks, shade and wood',
    aim: 'You describe the strip of land beside the water so that its loss could be noticed in ten years.',
    pages: [
      [
        'The riparian transect',
        'A tape at right angles to the flow, thirty metres on both sides. At each metre, what is above, at, and below the knee. Patience beats cleverness here.',
      ],
      [
        'Shade by the mirror',
        'Hold the mirror level at waist height and count the squares that are covered. Four directions, then the mean. The reader’s own hat does not count.',
      ],
      [
        'Wood in the channel',
        'A log makes a pool, the pool keeps gravel, gravel keeps eggs. Count pieces longer than a metre, and note which are anchored.',
      ],
    ],
    lab: [
      'Riparian transect',
      'Walk one transect on each bank at Fallow Ford. Draw both as one profile with the channel in the middle.',
    ],
    talk: [
      'Who owns the bank?',
      '<p>The strip that you measured is grazed. Write to the farmer in four friendly sentences.</p>',
    ],
    quiz: [
      ['The mirror is held at', ['waist height', 'eye height'], 0],
      ['Wood counts from', ['1 m', '3 m'], 0],
    ],
    links: [
      ['Transect sheet', 'https://gear.streamnotes.example/transect'],
      ['Shade tables', 'https://glossary.streamnotes.example/shade'],
    ],
    site: 'Fallow Ford',
  },
  {
    title: 'Bed material',
    aim: 'One hundred pebbles, one curve, and an idea of what a flood can move.',
    pages: [
      [
        'The pebble count',
        'Step, close your eyes, reach down past your boot, and take the first stone that your finger touches. Looking makes samples coarse. Measure the middle axis.',
      ],
      [
        'Embeddedness',
        'How deep is the stone set in fine stuff? Pull it: the clean line around it tells. Above half, the spaces where small animals live are gone.',
      ],
      [
        'The curve and its middle',
        'Half of the stones are smaller than the median. The curve’s two ends tell more about floods than its middle.',
      ],
    ],
    lab: [
      'One hundred pebbles',
      'Count one hundred at Otter Riffle in pairs. Plot the curve and give the three sizes at 16, 50 and 84 per cent.',
    ],
    talk: [
      'What moved last winter?',
      '<p>Compare your curve with that of the spring before. What would a flood have had to do?</p>',
    ],
    quiz: [
      ['Which axis is measured?', ['longest', 'middle', 'shortest'], 1],
      ['Looking while picking makes the sample', ['coarser', 'finer'], 0],
    ],
    links: [
      ['Size classes', 'https://glossary.streamnotes.example/sizes'],
      ['Count sheet', 'https://gear.streamnotes.example/pebbles'],
    ],
    site: 'Otter Riffle',
  },
  {
    title: 'Flow duration and low flow',
    aim: 'You say how often a stream runs at least so high, and how sure ten years of record let you be.',
    pages: [
      [
        'Flow duration',
        'Sort the daily flows from high to low, number them, divide by the count and one more. The curve shows for what share of days a flow is reached or passed.',
      ],
      [
        'Low flow in a dry year',
        'The seven-day minimum is steadier than the lowest day, which may be a gate that somebody closed. Look for steps in the record before you trust it.',
      ],
      [
        'How much record is enough',
        'Ten years are a start. Draw the curve for each year alone, and the spread between them is what you do not know.',
      ],
    ],
    lab: [
      'Duration curve for Mill Weir',
      'Use ten years of daily flows. Hand in the curve, the flow passed on 95 of 100 days, and the year that surprised you.',
    ],
    talk: [
      'Enough for the fish?',
      '<p>A mill wants to take a tenth of the low flow. Which figure of your curve would you show at the hearing?</p>',
    ],
    quiz: [
      ['A flow reached on 95 of 100 days is', ['high', 'low'], 1],
      ['Seven-day minima are', ['steadier', 'lower'], 0],
    ],
    links: [
      ['Daily flows, ten years', `${gauge}mill-weir/daily`],
      ['Plotting positions', 'https://glossary.streamnotes.example/plotting'],
    ],
    site: 'Mill Weir',
  },
  {
    title: 'Writing it up',
    aim: 'A reader who was not there can find the site, repeat the work, and disagree with you for good reasons.',
    pages: [
      [
        'Methods in the past tense',
        'Say what was done, with what, how often, and by whom. Leave out what the reader would do anyway. If a step went wrong, say so; everybody will trust the rest more.',
      ],
      [
        'Figures that stand alone',
        'Axes with units, a caption that says what to see, and no colour that a photocopy would lose.',
      ],
      [
        'Uncertainty without apology',
        'Give the number and how far off it may be, in one breath. A range is no weakness; a bare figure with four decimals is.',
      ],
    ],
    lab: [
      'Draft of your site report',
      'Four pages at most. The draft is read by two others before it is read by us.',
    ],
    talk: [
      'The sentence you cut',
      '<p>Post one sentence that you took out of your draft, and say why the report is better without it.</p>',
    ],
    quiz: [
      ['Methods are written in the', ['past tense', 'future tense'], 0],
      ['A figure must work', ['in colour only', 'in a photocopy'], 1],
    ],
    links: [
      ['Report template', 'https://glossary.streamnotes.example/report'],
      ['Unit symbols', 'https://glossary.streamnotes.example/units'],
    ],
    site: 'Reading room',
  },
  {
    title: 'Showing your stream',
    aim: 'Ten minutes, one poster, and questions from people who live beside the water.',
    pages: [
      [
        'A poster read from two metres',
        'One message in the top third, three figures, and fewer than three hundred words. Print it small first: what you can’t read there, nobody reads from where they stand.',
      ],
      [
        'Taking questions',
        'Repeat the question, answer the one that was asked, and say so when you do not know. Somebody in the room has known this stream for sixty years.',
      ],
      [
        'Giving the kit back',
        'Dry nets, rinsed probes with their caps wet, a list of what broke. The next group starts from what you leave.',
      ],
    ],
    lab: [
      'Poster and handing in of the kit',
      'Bring the poster on paper. The kit list is signed by both partners before the mark is entered.',
    ],
    talk: [
      'What would you measure next year?',
      '<p>One thing that your site needs, and what it would cost in days and in euros.</p>',
    ],
    quiz: [
      ['A poster has at most', ['300 words', '900 words'], 0],
      ['Probe caps are stored', ['dry', 'wet'], 1],
    ],
    links: [
      ['Poster sizes', 'https://gear.streamnotes.example/posters'],
      ['Kit list', 'https://gear.streamnotes.example/kit'],
    ],
    site: 'Assembly hall',
  },
];
