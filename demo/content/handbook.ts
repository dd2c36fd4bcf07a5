// Written for this demo; the station and all who work there are invented.
export interface Topic {
  readonly title: string;
  readonly paragraphs: readonly string[];
  readonly list: readonly string[];
}

export interface Chapter {
  readonly title: string;
  readonly topics: readonly Topic[];
}

const topic = (title: string, paragraphs: string[], list: string[]): Topic => ({
  title,
  paragraphs,
  list,
});

const WELCOME: Chapter = {
  title: 'Welcome',
  topics: [
    topic(
      'Where you are',
      [
        'The station stands on the last firm ground before the saltings. Two boat sheds, a laboratory with sixteen places and a kitchen are all there is. The tide reaches the lower slip twice a day and the upper one about ten times a year.',
        'You will be wet, cold and pleased, often within the same hour. The course has one aim: that you leave able to ask a question of a shore and get an answer that would stand up in front of people who know it.',
      ],
      [
        'Find your bunk and your peg',
        'Sign the list in the porch when you go out and when you come in',
        'Read chapters two and three before supper',
      ],
    ),
    topic(
      'Who does what',
      [
        'Each group of four has a tutor for the week. The warden decides whether a boat goes out and whether a group may cross the channel. Nobody argues with the warden about water.',
      ],
      [
        'Tutor: questions about the work',
        'Warden: anything to do with tide, boats and weather',
        'Kitchen: meals, allergies, hot water',
      ],
    ),
    topic(
      'The day',
      [
        'Meal times move with the tide. The plan for the next day is pinned up in the porch at six in the evening, and nothing else counts.',
      ],
      [
        'Low water decides when we start',
        'Two hours in the laboratory follow every shore',
        'Evenings are for counts and questions',
      ],
    ),
  ],
};

const SAFETY: Chapter = {
  title: 'Safety on the shore',
  topics: [
    topic(
      'Tides and time',
      [
        'The water comes back across the flats faster than you walk in mud. Know the time of low water, and turn round at it, not after. Every group carries a watch that shows the time of turning.',
      ],
      [
        'Never walk alone below the middle shore',
        'Never cross the channel without the warden',
        'Whistle: three blasts, wait, three blasts',
      ],
    ),
    topic(
      'Mud',
      [
        'Soft mud holds a boot by suction. Lean back, work one foot free by turning it, and lie flat if you must. Boards are at the foot of both slips.',
      ],
      [
        'Test with the pole before you step',
        'Keep ten metres between you on soft ground',
        'Leave the boot, keep the foot',
      ],
    ),
    topic(
      'Weather and clothing',
      [
        'Wind off the sea at ten degrees is colder than it sounds. Three thin layers are better than one thick one, and a hat is better than either.',
      ],
      [
        'Waterproof coat and trousers',
        'Spare socks in a dry bag',
        'Hat and sun cream, on the same day',
      ],
    ),
    topic(
      'When something goes wrong',
      [
        'Say so early. A small worry told at once has never spoiled a day; a small worry kept quiet has spoiled several.',
      ],
      [
        'First aid: green box, porch and both boats',
        'Nearest road: the lane behind the sea wall',
        'Roll call at the upper slip, always',
      ],
    ),
  ],
};

const METHODS: Chapter = {
  title: 'Methods',
  topics: [
    topic(
      'Laying a transect',
      [
        'Choose the line before you look closely at the animals, or you will choose the line that suits you. Fix the upper end to something that will be there next year and write down what it is.',
      ],
      [
        'Tape, thirty metres',
        'Two poles and a level',
        'Height of every station, to the centimetre',
      ],
    ),
    topic(
      'Quadrats',
      [
        'A quadrat is a promise to count what lies inside and nothing else. Decide which two edges count as inside, and keep to it for the week.',
      ],
      [
        'Half a metre for weeds',
        'A quarter for barnacles and periwinkles',
        'A tenth for settlers, with the lens',
      ],
    ),
    topic(
      'Counting',
      [
        'Count twice, by two people, before either says the number. If the numbers differ by more than a tenth, count again together and find out why.',
      ],
      [
        'Adults: plates closed, over five millimetres',
        'Young: this year, under five',
        'Specks: settled within days',
      ],
    ),
    topic(
      'Measuring heights',
      [
        'Heights are measured from the bench mark on the sea wall with the two-pole method. Errors add up downhill, so close the traverse: measure back up.',
      ],
      [
        'Read the level at eye height',
        'Write the sign of every step',
        'Closing error under three centimetres',
      ],
    ),
    topic(
      'Notebooks',
      [
        'Pencil, hard covers, one page a station. Cross out, never rub out: a number that was wrong tells something too.',
      ],
      ['Date, time, weather, tide', 'Who counted, who wrote', 'What you did not do'],
    ),
    topic(
      'Samples',
      [
        'Take as little as answers the question. What can be counted on the rock is not taken from it.',
      ],
      [
        'Label inside and outside the tube',
        'Return animals to the height they came from',
        'No sample without a station number',
      ],
    ),
  ],
};

const SITES: Chapter = {
  title: 'Sites',
  topics: [
    'Sea wall',
    'North groyne',
    'South groyne',
    'Boulder field',
    'Mussel bank',
    'Lower channel',
    'Upper saltings',
    'Pool terrace',
  ].map((name, i) =>
    topic(
      name,
      [
        `The ${name.toLowerCase()} lies ${3 + i * 4} minutes on foot from the lower slip. It is uncovered for about ${2 + (i % 4)} hours around low water on a middling tide, and its lowest station stands ${(0.4 + i * 0.35).toFixed(2)} metres above chart datum.`,
        'Look for the change of slope half-way down: above it the rock dries between tides, below it the weed keeps it wet. Most of what you will find here is on one side or the other of that line.',
      ],
      [
        'Way there: along the wall, down the marked steps',
        `Stations ${i * 10 + 1} to ${i * 10 + 10}`,
        'Leave when the marker post is awash',
      ],
    ),
  ),
};

const ANIMALS: Chapter = {
  title: 'Animals you will meet',
  topics: [
    [
      'Acorn barnacle',
      'Six plates, a kite-shaped opening, and a band of its own across the shore.',
    ],
    [
      'Dog whelk',
      'A pointed shell with a groove at the mouth; bores through barnacles and mussels.',
    ],
    ['Common limpet', 'Grinds its shell to fit one place on the rock and comes home to it.'],
    ['Rough periwinkle', 'Lives in cracks at the high-water mark and bears living young.'],
    ['Beadlet anemone', 'A lump of red jelly until the water covers it.'],
    ['Shore crab', 'Three teeth between the eyes, five on either side, and little patience.'],
    ['Common mussel', 'Hangs from threads that it spins with its foot.'],
    ['Lugworm', 'Known by its casts; the worm itself is a hand below.'],
  ].map(([name, text]) =>
    topic(
      name,
      [
        text,
        `When you find a ${name.toLowerCase()}, note its height on the shore, what it sits on and what sits on it. One animal looked at for five minutes teaches more than fifty ticked off.`,
      ],
      ['Where: height, side, slope', 'How many in a quarter quadrat', 'What it was doing'],
    ),
  ),
};

const WORK: Chapter = {
  title: 'Your project',
  topics: [
    topic(
      'A question',
      [
        'A good question can be answered in four tides by four people. If it needs the word “generally”, it is too large. If you know the answer, it is too small.',
      ],
      [
        'Write it in one sentence',
        'Say what you would have to see to be wrong',
        'Show it to your tutor before Wednesday',
      ],
    ),
    topic(
      'A plan',
      [
        'Decide how many counts you need before you make the first. Ten well-placed quadrats are worth more than thirty wherever there was room to kneel.',
      ],
      ['Where and how many', 'Who counts, who writes', 'What you leave out if the wind rises'],
    ),
    topic(
      'Numbers',
      ['Draw every number before you average it. A mean without its spread is a rumour.'],
      ['Dot plot first', 'Median and quartiles', 'One table, one figure'],
    ),
    topic(
      'The report',
      [
        'Four pages. The first sentence says what you found, the last what you would do next. Everything between is there so that a reader can disagree with you.',
      ],
      ['Hand in as one PDF', 'Marked by Friday evening', 'Read the remarks before you leave'],
    ),
  ],
};

const LISTS: Chapter = {
  title: 'Lists',
  topics: [
    topic(
      'Kit for a group',
      ['Fetch it from the shed the evening before, and count it back in.'],
      [
        'Two quadrats',
        'Tape and poles',
        'Level',
        'Lens',
        'Slate and pencils',
        'Dry bag',
        'Whistle',
        'Watch',
      ],
    ),
    topic(
      'Kit for yourself',
      ['The drying room holds sixteen pairs of trousers, not thirty-two.'],
      ['Boots', 'Waterproofs', 'Hat', 'Gloves', 'Flask', 'Notebook', 'Two pencils'],
    ),
    topic(
      'Words',
      ['Words are used here as on the tide tables.'],
      [
        'Spring tide: the large ones, after new and full moon',
        'Neap tide: the small ones between',
        'Chart datum: the lowest the water ever falls',
        'Fetch: how far the wind has blown over water',
      ],
    ),
    topic(
      'Marks and points',
      [
        'The report counts for half, the notebook for a quarter, the quiz for the rest. Late work is read, but not marked.',
      ],
      ['Report: 20 points', 'Notebook: 10 points', 'Quiz: 10 points'],
    ),
  ],
};

export const HANDBOOK: readonly Chapter[] = [WELCOME, SAFETY, METHODS, SITES, ANIMALS, WORK, LISTS];
