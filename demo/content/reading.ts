// Written for this demo. The animals are real, the station, its people and its counts are invented.
export const READING_TITLE = 'How barnacles choose a rock';
export const READING_BY = 'Field course reading 3 · Saltmarsh Field Station';

export interface Section {
  readonly heading: string;
  readonly paragraphs: readonly string[];
  /** Drawn after the paragraphs. */
  readonly figure?: 'zones' | 'antennules';
}

export const READING: readonly Section[] = [
  {
    heading: 'A decision made once',
    paragraphs: [
      'An adult barnacle cannot walk away from a bad address. It is cemented to the rock by its forehead, it will feed there, grow there, find its mates among the neighbours within reach, and die there. Few animals make a decision that is at once so early in life and so final. The one that makes it is a larva no bigger than a grain of sand, with a single purpose and a store of fat that will last it a few weeks.',
      'This reading follows that larva, the cyprid, from open water to the moment when it lets go of its freedom. It asks three questions. What can a cyprid perceive? In what order does it put its questions to the rock? And what follows for the bands of white that you will walk over on Tuesday, when we lay the first transect below the sea wall?',
      'You will notice that the answers come from very different kinds of work: from watching single animals under a lens for hours, from counting thousands on tiles hung off a pier, and from the patient business of scraping a square of shore clean and coming back each spring to see who has moved in. None of the three would have been enough alone.',
    ],
  },
  {
    heading: 'Six feeding stages and one that does not eat',
    paragraphs: [
      'A barnacle hatches as a nauplius: one eye, three pairs of limbs, a shield with two horns. It swims in jerks, combs algae from the water, and moults five times in two to four weeks, growing each time. Nauplii drift where the water takes them. They can sink or rise by a few metres, which in an estuary, where the upper layer runs out and the lower one in, is enough to decide whether they are carried to sea or kept near the coast.',
      'The last moult makes a different animal. The cyprid has a shell of two valves like a tiny mussel, six pairs of swimming legs and two antennules in front. It has no working mouth. Everything it will spend on searching was eaten before, and is carried as droplets of oil that you can see through the shell. A cyprid with full droplets is choosy. One that has searched in vain for a fortnight will take what it would have passed over on the first day; experimenters call this the desperate larva, and it is the reason why the age of the larvae must be stated with every settlement trial.',
      'The oil thus acts as a clock. It links choosiness to time, and it makes the same animal give different answers to the same rock. Keep this in mind when two studies seem to contradict each other.',
    ],
  },
  {
    heading: 'Walking on two feet',
    paragraphs: [
      'When a cyprid touches a surface it does not stick at once. It walks. The third segment of each antennule ends in a disc, and the disc carries a film of a sticky protein. The animal sets one disc down, swings its body, sets the other down, and pulls the first away. Each step leaves behind a print of protein about thirty micrometres across, which will matter later.',
      'Observers divide the walk into three parts. In the wide search the cyprid covers ground in long straight lines and leaves readily. In the close search it turns often and keeps within a millimetre or two. In the inspection it hardly moves at all: it stands, swings from side to side, and tests single spots with the tips of its antennules. At any point it may let go and swim off. On a surface that it likes, the three parts follow each other within minutes.',
      'At the end of the inspection the animal squeezes cement from two glands at the base of the antennules, and within hours it has thrown off its shell valves and turned itself into a small barnacle, plates and all. The act cannot be undone.',
    ],
    figure: 'antennules',
  },
  {
    heading: 'What the rock says',
    paragraphs: [
      'Texture comes first. Cyprids of the acorn barnacle prefer pits and cracks that are a little wider than themselves, about half a millimetre, and they avoid surfaces that are smooth at that scale. The advantage is plain: in a pit the cement holds on more sides, a limpet grinding by cannot shove the young animal off, and a film of water stays there when the tide has gone. Grooves that are much narrower than the animal are worse than none, since they leave its disc with less to hold.',
      'Light and flow come next. Most settle on faces that are turned away from the strongest sun, and in water that moves fast enough to bring food but not so fast that a walking animal is torn away. In flumes they turn to face the current and walk upstream. On a boulder this shows as a band of dense settlement just behind the edge, where the stream has slowed.',
      'The film of bacteria and small algae on the rock tells the larva how long the place has been under water and how high on the shore it lies. Films from the middle shore, offered on tiles at the same depth, draw more settlers than films from above or below. The larva seems to read height from what grows there. It need not climb to find out.',
      'The strongest word, however, comes from other barnacles. A protein in the shell and skin of adults makes cyprids settle, and it has to be touched; it does not work from a distance. Its practical sense is obvious to anyone who has seen a lonely barnacle. Where others have lived through a year, so can you, and a neighbour is the only mate you will ever have.',
      'Weaker, but of the same kind, are the footprints. The protein that walking leaves behind holds for days, and another cyprid that steps on it tends to stay. A rock that many have inspected becomes a rock that many settle on, even before the first of them has done so. Settlement is thus contagious, and a small difference at the start can grow into a crowd here and bare rock there.',
    ],
  },
  {
    heading: 'Room enough',
    paragraphs: [
      'There is a counterweight. A cyprid that has chosen its spot measures the distance to its neighbours with its antennules, and where it would stand closer than about two millimetres to one of its own kind it goes on walking. It keeps less distance from other species. The spacing is lost only where the crowd is such that no free spot is left, and then the young grow upwards instead of outwards, into the tall thin columns that break off in the first winter storm.',
      'Attraction at a few centimetres and refusal at two millimetres together make the pattern that you will see on the groyne: patches with sharp borders, and within each patch an almost even spacing. When you place your quadrat, note whether it lies inside a patch, across a border or outside. Means over all three say little.',
    ],
  },
  {
    heading: 'The upper edge and the lower',
    paragraphs: [
      'The white band on the shore has an upper and a lower border, and they have different causes. Above, the animals dry out. A young barnacle can live through some six hours of sun and wind, an adult through a good deal more, so the upper border of the adults is drawn in the first summer of their lives, on the hottest day of the lowest tides. Settlement itself reaches higher, and in June you may find a fringe of living specks half a metre above the highest adult. In September they are gone.',
      'Below, the animals are eaten and overgrown. Dog whelks bore through the plates, and mussels and red weeds take the space. Cages of wire mesh set on the lower shore, which keep the whelks out, fill with barnacles within a year. The lower border is thus drawn by others. It is a rule of the shore that the upper limits of its animals are set by the weather and the lower ones by their neighbours; it has its exceptions, and you are welcome to find one.',
      'The cyprid takes part in drawing both borders, because it does not settle at random between them. By reading the film and the adults it places most of its kind where the two dangers are least. The choice of the larva and the death of the young both narrow the band, and which of the two does more was argued over for thirty years. Counts of settlers made every day, so that those who died within the first tide were not missed, showed that the greater part was choice.',
    ],
    figure: 'zones',
  },
  {
    heading: 'What you will do',
    paragraphs: [
      'On Tuesday each group lays a line of thirty metres from the foot of the sea wall to the low-water mark and counts adults, young and specks in ten quadrats. On Wednesday we set out tiles in four textures, half of them washed in an extract of crushed adults. They stay for three tides. On Friday the counts of all groups are put together, and you will see whether your shore is as choosy as this reading says.',
      'Before you go out, mark in this text every statement that a count of yours could contradict. There are at least seven. Write beside each what you would have to see. A prediction that nothing could contradict is of no use on a shore, where there are only five hours until the water comes back.',
      'Bring two pencils, since ink runs, and a lens of ten times. Do not turn boulders over and leave them. What lives beneath has made its choice as well.',
    ],
  },
  {
    heading: 'Questions for the evening',
    paragraphs: [
      'One. A tile hung for six days carries twice as many settlers as one hung for three. Does this show that footprints attract? What else would have to be ruled out, and which further tiles would you hang?',
      'Two. Suppose the oil droplets of a cyprid last for twelve days and the nearest good shore is five days away with the current. Sketch how choosy the larva should be on each day. Where on your curve does it begin to take a second-best rock?',
      'Three. The extract of crushed adults contains more than the one protein. Design a control that would convince a neighbour who believes that any meat would do.',
      'Four. Along the sea wall the band is half a metre higher on the western face than on the eastern. Give three explanations, and for each a measurement of one afternoon that could sink it.',
    ],
  },
];
