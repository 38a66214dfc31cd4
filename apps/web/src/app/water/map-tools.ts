import type { ChartFeature, FeatureShape } from '@inky-shoal/core/chart';
import Collection from 'ol/Collection';
import type Feature from 'ol/Feature';
import type GeoJSON from 'ol/format/GeoJSON';
import Point from 'ol/geom/Point';
import Draw from 'ol/interaction/Draw';
import type Interaction from 'ol/interaction/Interaction';
import Modify from 'ol/interaction/Modify';
import Snap from 'ol/interaction/Snap';
import type OlMap from 'ol/Map';
import type VectorSource from 'ol/source/Vector';

/** A finger is not finer than this, pixels. */
const SNAP_PX = 12;
const GRAB_PX = 18;
/** The press that ends a shape reaches the chart too, a little later. */
const LAST_PRESS_MS = 400;
/** A seventh decimal of a degree is a centimetre. */
const DECIMALS = 7;

export interface MapToolEvents {
  /** A shape was drawn, in degrees. */
  readonly drawn: (shape: FeatureShape) => void;
  /** A feature's points were moved. */
  readonly reshaped: (feature: ChartFeature, shape: FeatureShape) => void;
}

/** Drawing on a chart: new shapes, moved points, both snapping to what is drawn already. */
export class MapTools {
  private draw: Draw | null = null;
  private endedAt = -Infinity;
  private type: FeatureShape['type'] | null = null;
  private active: Interaction[] = [];

  constructor(
    private readonly map: OlMap,
    private readonly source: VectorSource,
    private readonly geoJson: GeoJSON,
    private readonly events: MapToolEvents,
  ) {}

  /** Whether a shape is being drawn, or was until just now: presses on the chart are its points. */
  get drawing(): boolean {
    return this.draw !== null || performance.now() - this.endedAt < LAST_PRESS_MS;
  }

  /** Draws shapes of a kind, or moves the points of a feature, or neither. */
  use(type: FeatureShape['type'] | null, editing: Feature | null): void {
    for (const each of this.active) this.map.removeInteraction(each);
    this.active = [];
    this.draw = null;
    this.type = type;
    if (type) {
      this.draw = new Draw({ type, snapTolerance: SNAP_PX, stopClick: true });
      this.draw.on('drawend', ({ feature }) => {
        this.endedAt = performance.now();
        const shape = this.shapeOf(feature);
        if (shape) this.events.drawn(shape);
      });
      this.add(this.draw);
    } else if (editing) {
      const modify = new Modify({ features: new Collection([editing]), pixelTolerance: GRAB_PX });
      modify.on('modifyend', () => {
        const shape = this.shapeOf(editing);
        if (shape) this.events.reshaped(editing.get('drawn') as ChartFeature, shape);
      });
      this.add(modify);
    }
    // It has to come last, to see where the pointer is before the others do.
    if (this.active.length) this.add(new Snap({ source: this.source, pixelTolerance: SNAP_PX }));
  }

  /** Puts a point where the middle of the chart is, for who has no pointer. */
  putInMiddle(): void {
    const middle = this.map.getView().getCenter();
    if (!middle || !this.draw) return;
    if (this.type !== 'Point') return this.draw.appendCoordinates([middle]);
    const shape = this.geoJson.writeGeometryObject(new Point(middle), { decimals: DECIMALS }) as FeatureShape;
    this.events.drawn(shape);
  }

  back(): void {
    this.draw?.removeLastPoint();
  }

  finish(): void {
    this.draw?.finishDrawing();
  }

  private add(interaction: Interaction): void {
    this.map.addInteraction(interaction);
    this.active.push(interaction);
  }

  private shapeOf(feature: Feature): FeatureShape | null {
    const geometry = feature.getGeometry();
    if (!geometry) return null;
    return this.geoJson.writeGeometryObject(geometry, { decimals: DECIMALS }) as FeatureShape;
  }
}
