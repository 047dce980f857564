/** The common kinds of camera that templates hang. */
type CameraKindId = 'indoor-dome' | 'tube-infrared' | 'vandal-dome' | 'box-heated' | 'turning';

/** A view of a template: about how long its cable is, and which of the common kinds of camera hangs there. */
interface TemplateView {
  name: string;
  kind: CameraKindId;
  lengthM: number;
}
export interface SiteTemplate {
  id: string;
  label: string;
  /** What such a site usually is, for whoever picks one. */
  about: string;
  /** The one cable that such sites were mostly pulled with. */
  cable: string;
  /** A box at the head end that feeds the cameras along their runs, or an adapter beside each. */
  power: 'box' | 'adapters';
  inputs: number;
  places: readonly {
    name: string;
    environment: 'indoor' | 'outdoor';
    heightM: number;
    views: readonly TemplateView[];
  }[];
}

const view = (name: string, lengthM: number, kind: CameraKindId = 'indoor-dome'): TemplateView => ({
  name,
  kind,
  lengthM,
});

/** Sites as they are met again and again. Every figure is an assumption, marked so, for somebody to put right on the walk. */
export const siteTemplates: readonly SiteTemplate[] = [
  {
    id: 'shop',
    label: 'Shop',
    about: '8 cameras on one recorder, thin moulded leads, an adapter at each',
    cable: 'coax-mini',
    power: 'adapters',
    inputs: 8,
    places: [
      {
        name: 'Sales floor',
        environment: 'indoor',
        heightM: 3,
        views: [view('Till 1', 18), view('Till 2', 20), view('Aisles', 24), view('Entrance', 26)],
      },
      {
        name: 'Back of house',
        environment: 'indoor',
        heightM: 3,
        views: [view('Stock room', 15), view('Office', 8)],
      },
      {
        name: 'Yard',
        environment: 'outdoor',
        heightM: 4,
        views: [view('Goods door', 25, 'tube-infrared'), view('Bins', 28, 'tube-infrared')],
      },
    ],
  },
  {
    id: 'house',
    label: 'House',
    about: '4 cameras, thin moulded leads, an adapter at each',
    cable: 'coax-mini',
    power: 'adapters',
    inputs: 4,
    places: [
      {
        name: 'Front',
        environment: 'outdoor',
        heightM: 3,
        views: [view('Gate', 25, 'tube-infrared'), view('Front door', 15)],
      },
      {
        name: 'Back',
        environment: 'outdoor',
        heightM: 3,
        views: [view('Garden', 22, 'tube-infrared'), view('Back door', 18)],
      },
    ],
  },
  {
    id: 'condominium',
    label: 'Condominium',
    about: '12 cameras over stairs, garage and grounds, coax with power from a box',
    cable: 'coax-rg59-cu',
    power: 'box',
    inputs: 16,
    places: [
      {
        name: 'Stairs',
        environment: 'indoor',
        heightM: 3,
        views: [view('Lobby', 20), view('Letter boxes', 24), view('Lift 1', 45), view('Lift 2', 52)],
      },
      {
        name: 'Garage',
        environment: 'indoor',
        heightM: 2.5,
        views: [
          view('Garage in', 60, 'tube-infrared'),
          view('Garage out', 66, 'tube-infrared'),
          view('Bays 1 to 20', 75, 'tube-infrared'),
          view('Bays 21 to 40', 95, 'tube-infrared'),
        ],
      },
      {
        name: 'Grounds',
        environment: 'outdoor',
        heightM: 4,
        views: [
          view('Main gate', 85, 'tube-infrared'),
          view('Playground', 110, 'tube-infrared'),
          view('Bin store', 70, 'tube-infrared'),
          view('Cycle store', 64, 'tube-infrared'),
        ],
      },
    ],
  },
  {
    id: 'school',
    label: 'School',
    about: '16 cameras over two buildings, coax with power from a box',
    cable: 'coax-rg59-cu',
    power: 'box',
    inputs: 16,
    places: [
      {
        name: 'Main building',
        environment: 'indoor',
        heightM: 3,
        views: [
          view('Reception', 25, 'vandal-dome'),
          view('Corridor ground', 40, 'vandal-dome'),
          view('Corridor first', 55, 'vandal-dome'),
          view('Stair north', 60, 'vandal-dome'),
          view('Stair south', 70, 'vandal-dome'),
          view('Canteen', 65, 'vandal-dome'),
          view('Computer room', 50, 'vandal-dome'),
        ],
      },
      {
        name: 'Sports hall',
        environment: 'indoor',
        heightM: 6,
        views: [view('Hall', 140, 'vandal-dome'), view('Changing corridor', 150, 'vandal-dome')],
      },
      {
        name: 'Grounds',
        environment: 'outdoor',
        heightM: 5,
        views: [
          view('Front gate', 90, 'tube-infrared'),
          view('Car park', 120, 'tube-infrared'),
          view('Cycle racks', 100, 'tube-infrared'),
          view('Yard east', 110, 'tube-infrared'),
          view('Yard west', 130, 'tube-infrared'),
          view('Field', 190, 'box-heated'),
          view('Deliveries', 105, 'tube-infrared'),
        ],
      },
    ],
  },
  {
    id: 'campus',
    label: 'Campus',
    about: '20 cameras over three buildings and roads, long coax, heated housings, turning cameras',
    cable: 'coax-rg6-cu',
    power: 'box',
    inputs: 32,
    places: [
      {
        name: 'Building 1',
        environment: 'indoor',
        heightM: 3,
        views: [
          view('Reception', 30),
          view('Atrium', 45),
          view('Loading', 60, 'tube-infrared'),
          view('Stair', 50),
        ],
      },
      {
        name: 'Building 2',
        environment: 'indoor',
        heightM: 3,
        views: [
          view('Building 2 door', 180),
          view('Building 2 hall', 195),
          view('Building 2 stair', 210),
          view('Laboratory corridor', 220),
        ],
      },
      {
        name: 'Building 3',
        environment: 'indoor',
        heightM: 3,
        views: [
          view('Building 3 door', 260),
          view('Building 3 hall', 275),
          view('Store', 290),
          view('Plant room', 300),
        ],
      },
      {
        name: 'Roads',
        environment: 'outdoor',
        heightM: 6,
        views: [
          view('Gate in', 240, 'box-heated'),
          view('Gate out', 245, 'box-heated'),
          view('Car park north', 200, 'tube-infrared'),
          view('Car park south', 260, 'tube-infrared'),
          view('Roundabout', 310, 'turning'),
          view('Crossing', 280, 'tube-infrared'),
          view('Footpath', 230, 'tube-infrared'),
          view('Bus stop', 250, 'tube-infrared'),
        ],
      },
    ],
  },
];
