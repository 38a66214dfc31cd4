import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFeature, ChartFrame } from '@inky-shoal/core/chart';
import { chartProjection } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import ScaleLine from 'ol/control/ScaleLine';
import Zoom from 'ol/control/Zoom';
import Feature from 'ol/Feature';
import GeoJSON from 'ol/format/GeoJSON';
import type Geometry from 'ol/geom/Geometry';
import LineString from 'ol/geom/LineString';
import MultiLineString from 'ol/geom/MultiLineString';
import Point from 'ol/geom/Point';
import ImageLayer from 'ol/layer/Image';
import VectorLayer from 'ol/layer/Vector';
import OlMap from 'ol/Map';
import { addCoordinateTransforms, addProjection, fromLonLat, toLonLat } from 'ol/proj';
import Projection from 'ol/proj/Projection';
import ImageCanvas from 'ol/source/ImageCanvas';
import VectorSource from 'ol/source/Vector';
import View from 'ol/View';
import type { Ink } from '../ui/ink';
import { ChartStyles } from './chart-styles';
import type { ChartView, Contour, MapMode, Sounding } from './map-picture';
import { MapTools, type MapToolEvents } from './map-tools';

export interface ChartMapEvents {
  /** A place on the water was pressed, in degrees. */
  readonly pressed: (lonLat: readonly [number, number]) => void;
  /** A numbered spot was pressed. */
  readonly chosen: (spot: PlacedSpot) => void;
  /** Another part of the chart has come into view, or the same nearer. */
  readonly looked: (view: ChartView) => void;
  /** Something drawn was pressed while the pen is out; null where it was none. */
  readonly featureChosen: (id: string | null) => void;
}

/** Lines are made for so much more than what is in view, of its width and height, and as finely as so many pixels. */
const BEYOND = 0.25;
const PIXELS_A_SAMPLE = 2;

/** A chart in ink: tints, contours, soundings, what was drawn, the hour's heat, spots and the run. */
export class ChartMap {
  private readonly map: OlMap;
  private readonly bed: ImageCanvas;
  private readonly contours = new VectorSource();
  private readonly drawn = new VectorSource();
  private readonly soundings = new VectorSource();
  private readonly spots = new VectorSource();
  private readonly run = new VectorSource();
  private readonly sights = new VectorSource();
  private readonly tools: MapTools;
  /** Read by the styles at every drawing. */
  mode: MapMode = { drawing: false, pen: null, chosenId: null };
  private tint: ImageBitmap | null = null;
  private heat: ImageBitmap | null = null;
  private readonly geoJson: GeoJSON;
  private readonly scale = new ScaleLine();
  private readonly styles = new ChartStyles(this);
  ink: Ink;

  constructor(
    target: HTMLElement,
    private readonly frame: ChartFrame,
    wet: { readonly west: number; readonly east: number; readonly north: number; readonly south: number },
    ink: Ink,
    events: ChartMapEvents & MapToolEvents,
  ) {
    this.ink = ink;
    const projection = `EPSG:${frame.epsg}`;
    makeKnown(frame.epsg);
    this.geoJson = new GeoJSON({ dataProjection: 'EPSG:4326', featureProjection: projection });
    this.bed = new ImageCanvas({
      projection,
      ratio: 1,
      canvasFunction: (extent, resolution, pixelRatio, size) => this.paint(extent, resolution, pixelRatio, size),
    });
    const { westM, northM, cols, rows, cellM } = frame;
    const extent = [westM, northM - rows * cellM, westM + cols * cellM, northM];
    this.map = new OlMap({
      target,
      controls: [new Zoom({ zoomInTipLabel: 'Nearer', zoomOutTipLabel: 'Farther' }), this.scale],
      layers: [
        new ImageLayer({ source: this.bed }),
        new VectorLayer({ source: this.contours, style: this.styles.contour, declutter: true }),
        new VectorLayer({ source: this.sights, style: this.styles.sight, declutter: true }),
        new VectorLayer({ source: this.drawn, style: this.styles.drawn, declutter: true }),
        new VectorLayer({ source: this.soundings, style: this.styles.sounding, declutter: true }),
        new VectorLayer({ source: this.run, style: this.styles.run }),
        new VectorLayer({ source: this.spots, style: this.styles.spot, declutter: 'spots' }),
      ],
      view: new View({
        projection,
        extent: buffered(extent, 0.2),
        showFullExtent: true,
        constrainOnlyCenter: false,
        smoothExtentConstraint: false,
        minResolution: 0.4,
      }),
    });
    this.map
      .getView()
      .fit(
        [westM + wet.west * cellM, northM - wet.south * cellM, westM + wet.east * cellM, northM - wet.north * cellM],
        { padding: [24, 30, 24, 30] },
      );
    this.map.on('moveend', () => {
      const view = this.inView();
      if (view) events.looked(view);
    });
    this.tools = new MapTools(this.map, this.drawn, this.geoJson, events);
    this.map.on('click', ({ pixel, coordinate }) => {
      if (this.tools.drawing) return;
      if (this.mode.drawing) {
        const touched = this.map.forEachFeatureAtPixel(
          pixel,
          (feature) => (feature.get('drawn') as ChartFeature | undefined)?.id,
          { hitTolerance: 14 },
        );
        events.featureChosen(touched ?? null);
        return;
      }
      const found = this.map.forEachFeatureAtPixel(pixel, (feature) => feature.get('spot') as PlacedSpot | undefined, {
        hitTolerance: 14,
      });
      if (found) events.chosen(found);
      else events.pressed(toLonLat(coordinate, projection) as [number, number]);
    });
  }

  close(): void {
    this.map.setTarget();
  }

  /** The box's size has changed. */
  resized(): void {
    this.map.updateSize();
  }

  setInk(ink: Ink): void {
    this.ink = ink;
    for (const source of [this.contours, this.drawn, this.sights, this.soundings, this.spots, this.run])
      source.changed();
  }

  setUnits(units: UnitSystem): void {
    this.scale.setUnits(units);
  }

  setTint(picture: ImageBitmap): void {
    this.tint?.close();
    this.tint = picture;
    this.bed.changed();
  }

  /** @param picture covers more the better a cell is; what is no better than usual is clear */
  setHeat(picture: ImageBitmap): void {
    this.heat?.close();
    this.heat = picture;
    this.bed.changed();
  }

  setContours(contours: readonly Contour[]): void {
    this.contours.clear();
    this.contours.addFeatures(
      contours.map(({ points, ends, ...rest }) => {
        // Lines are many: they go in as they came from the worker, without a copy.
        const geometry = new MultiLineString(points as unknown as number[], 'XY', [...ends]);
        return new Feature({ geometry, contour: rest });
      }),
    );
  }

  setSoundings(soundings: readonly Sounding[]): void {
    this.soundings.clear();
    this.soundings.addFeatures(soundings.map(({ at, text }) => new Feature({ geometry: new Point([...at]), text })));
  }

  setFeatures(features: readonly ChartFeature[]): void {
    this.drawn.clear();
    this.sights.clear();
    for (const feature of features) {
      const geometry = this.geoJson.readGeometry(feature.shape);
      if (!geometry) continue;
      const shown = new Feature<Geometry>(geometry);
      shown.set('drawn', feature);
      shown.setId(feature.id);
      this.drawn.addFeature(shown);
      if (feature.shape.type !== 'Point') continue;
      for (const { toward, text } of feature.lineUps ?? []) {
        const coordinates = [feature.shape.coordinates, toward];
        const line = this.geoJson.readGeometry({ type: 'LineString', coordinates });
        if (line) this.sights.addFeature(new Feature({ geometry: line, text }));
      }
    }
    this.setMode(this.mode);
  }

  /** What presses do, and which feature's points can be moved. */
  setMode(mode: MapMode): void {
    this.mode = mode;
    const chosen = mode.chosenId ? this.drawn.getFeatureById(mode.chosenId) : null;
    this.tools.use(mode.pen, mode.drawing && !mode.pen ? chosen : null);
    this.drawn.changed();
  }

  /** The pen, for who has no pointer or wants to end a line: see `MapTools`. */
  get penTools(): Pick<MapTools, 'putInMiddle' | 'back' | 'finish'> {
    return this.tools;
  }

  setSpots(spots: readonly PlacedSpot[], chosen: PlacedSpot | null, alike: readonly PlacedSpot[]): void {
    this.spots.clear();
    // Where places crowd, the better one is shown, and the others as one comes nearer.
    const add = (spot: PlacedSpot, text: string, kind: string, rank: number) =>
      this.spots.addFeature(new Feature({ geometry: new Point([...spot.at]), spot, text, kind, rank }));
    alike.forEach((spot, index) => add(spot, '', 'alike', 100 + index));
    spots.forEach((spot, index) => spot.cell !== chosen?.cell && add(spot, String(index + 1), 'best', index));
    const place = spots.findIndex(({ cell }) => cell === chosen?.cell);
    if (chosen) add(chosen, place < 0 ? '' : String(place + 1), 'chosen', -1);
  }

  setRun(line: readonly (readonly [number, number])[]): void {
    this.run.clear();
    if (line.length < 2) return;
    const projection = `EPSG:${this.frame.epsg}`;
    this.run.addFeature(new Feature(new LineString(line.map((at) => fromLonLat([...at], projection)))));
  }

  /** Brings a place into view where it is not. */
  show(at: readonly [number, number]): void {
    const view = this.map.getView();
    const size = this.map.getSize();
    const [x, y] = at;
    const [west = 0, south = 0, east = 0, north = 0] = view.calculateExtent(size);
    const [dx, dy] = [(east - west) * 0.08, (north - south) * 0.08];
    if (x < west + dx || x > east - dx || y < south + dy || y > north - dy)
      view.animate({ center: [x, y], duration: 200 });
  }

  private inView(): ChartView | null {
    const size = this.map.getSize();
    const resolution = this.map.getView().getResolution();
    if (!size || !resolution) return null;
    const { westM, northM, cols, rows, cellM } = this.frame;
    const [west = 0, south = 0, east = 0, north = 0] = buffered(this.map.getView().calculateExtent(size), BEYOND);
    const within = (cell: number, most: number) => Math.min(most, Math.max(0, cell));
    const cellsAPixel = resolution / cellM;
    const step = Math.max(1, Math.round(cellsAPixel * PIXELS_A_SAMPLE));
    // Samples begin at whole steps from the chart's corner, so that lines stand still while one moves about.
    const onStep = (cell: number) => Math.floor(cell / step) * step;
    const window = {
      west: within(onStep((west - westM) / cellM), cols),
      east: within(Math.ceil((east - westM) / cellM), cols),
      north: within(onStep((northM - north) / cellM), rows),
      south: within(Math.ceil((northM - south) / cellM), rows),
      step,
    };
    return window.east > window.west && window.south > window.north ? { window, cellsAPixel } : null;
  }

  /** Only the part in view is drawn, scaled by the canvas itself. */
  private paint(
    extent: readonly number[],
    _resolution: number,
    _pixelRatio: number,
    size: readonly number[],
  ): HTMLCanvasElement {
    const [width = 1, height = 1] = size;
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(width);
    canvas.height = Math.round(height);
    const context = canvas.getContext('2d');
    const { westM, northM, cellM } = this.frame;
    const [west = 0, south = 0, east = 0, north = 0] = extent;
    const from = { x: (west - westM) / cellM, y: (northM - north) / cellM };
    const span = { x: (east - west) / cellM, y: (north - south) / cellM };
    for (const image of [this.tint, this.heat]) {
      // A picture of another chart stands until this one's comes.
      if (image?.width !== this.frame.cols || image.height !== this.frame.rows) continue;
      context?.drawImage(image, from.x, from.y, span.x, span.y, 0, 0, width, height);
    }
    return canvas;
  }
}

/** Makes the chart's projection known to the map by the core's own formulas. */
function makeKnown(epsg: number): void {
  const code = `EPSG:${epsg}`;
  const { toChart, toLonLat: toDegrees } = chartProjection(epsg);
  addProjection(new Projection({ code, units: 'm' }));
  addCoordinateTransforms(
    'EPSG:4326',
    code,
    ([longitude = 0, latitude = 0]) => toChart([longitude, latitude]),
    ([x = 0, y = 0]) => toDegrees([x, y]),
  );
}

function buffered([west = 0, south = 0, east = 0, north = 0]: readonly number[], share: number): number[] {
  const [dx, dy] = [(east - west) * share, (north - south) * share];
  return [west - dx, south - dy, east + dx, north + dy];
}
