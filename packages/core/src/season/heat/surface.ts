import { dayOfYear } from '../../day/sun.js';
import type { WeatherDay } from '../../contract/outside.js';

const STEFAN_BOLTZMANN = 5.670374e-8;
const KELVIN = 273.15;
const WATER_EMISSIVITY = 0.97;
const ALBEDO = 0.06;
/** The ratio of conduction to evaporation (Bowen 1926), mmHg per degree Celsius. */
const BOWEN = 0.47;
const MMHG_PER_HPA = 0.750062;
const SOLAR_CONSTANT_WM2 = 1367;
/** Part of the sun's light that a clear sky lets through over a day. */
const CLEAR_SKY = 0.75;

/** How a piece of water meets the weather, besides its depth. */
export interface Exposure {
  /** Wind over it as a share of the wind that is told. */
  readonly windShare: number;
  /** Light that it takes up as a share of the usual; above 1 over a dark bottom. */
  readonly solarShare: number;
}

/** The pull of one day's weather on the water: towards `equilibriumC`, by `exchangeWm2C` for each degree it is off. */
export interface HeatExchange {
  readonly equilibriumC: number;
  readonly exchangeWm2C: number;
}

/** Saturation vapour pressure over water in hPa (Magnus formula, coefficients of Sonntag 1990). */
const vapourHpa = (tempC: number): number => 6.112 * Math.exp((17.62 * tempC) / (243.12 + tempC));

/** Evaporative wind function of Edinger, Duttweiler & Geyer, W/m2 per mmHg, wind in m/s. */
const windFunction = (windMps: number): number => 9.2 + 0.46 * windMps * windMps;

/** Mean light at the top of the air over a day, W/m2 (Allen et al. 1998, FAO 56, equation 21). */
export function extraterrestrialWm2(latitude: number, date: string): number {
  const year = (2 * Math.PI * dayOfYear(date)) / 365;
  const lat = (latitude * Math.PI) / 180;
  const declination = 0.409 * Math.sin(year - 1.39);
  const sunsetAngle = Math.acos(Math.min(1, Math.max(-1, -Math.tan(lat) * Math.tan(declination))));
  const sines = Math.sin(lat) * Math.sin(declination);
  const cosines = Math.cos(lat) * Math.cos(declination);
  const nearness = 1 + 0.033 * Math.cos(year);
  return (SOLAR_CONSTANT_WM2 / Math.PI) * nearness * (sunsetAngle * sines + cosines * Math.sin(sunsetAngle));
}

/** Light of a day at the water, W/m2 over 24 hours: as measured, else from cloud (1 - 0.65 C2, Edinger et al.). */
export const solarWm2 = ({ solarWm2: measured, cloudFraction, date }: WeatherDay, latitude: number): number =>
  measured ?? extraterrestrialWm2(latitude, date) * CLEAR_SKY * (1 - 0.65 * cloudFraction ** 2);

/** How fast losses grow with the water's temperature, W/m2 per degree: back radiation, evaporation and conduction. */
export function exchangeWm2C(waterTempC: number, windMps: number): number {
  const slopeHpa = (vapourHpa(waterTempC) * 17.62 * 243.12) / (243.12 + waterTempC) ** 2;
  const radiation = 4 * WATER_EMISSIVITY * STEFAN_BOLTZMANN * (waterTempC + KELVIN) ** 3;
  return radiation + windFunction(windMps) * (slopeHpa * MMHG_PER_HPA + BOWEN);
}

/**
 * The equilibrium temperature: that of water which neither gains nor loses heat under a day's weather, and the exchange
 * coefficient with which other water is drawn to it (Edinger, Duttweiler & Geyer 1968). Light, long-wave radiation of
 * the air (Brunt 1932, with cloud as in TVA 1972), back radiation, evaporation and conduction are set equal and solved
 * by Newton's method. The coefficient is taken half-way between the equilibrium and the water as it usually is then.
 */
export function heatExchange(day: WeatherDay, latitude: number, usualWaterC: number, exposure: Exposure): HeatExchange {
  const wind = day.windMps * exposure.windShare;
  const airVapourHpa = vapourHpa(Math.min(day.dewPointC, day.airTempC));
  const airEmissivity = (0.52 + 0.065 * Math.sqrt(airVapourHpa)) * (1 + 0.17 * day.cloudFraction ** 2);
  const gained =
    solarWm2(day, latitude) * (1 - ALBEDO) * exposure.solarShare +
    WATER_EMISSIVITY * airEmissivity * STEFAN_BOLTZMANN * (day.airTempC + KELVIN) ** 4;
  const evaporation = windFunction(wind);
  const net = (tempC: number): number =>
    gained -
    WATER_EMISSIVITY * STEFAN_BOLTZMANN * (tempC + KELVIN) ** 4 -
    evaporation * ((vapourHpa(tempC) - airVapourHpa) * MMHG_PER_HPA + BOWEN * (tempC - day.airTempC));
  let equilibriumC = day.airTempC;
  for (let round = 0; round < 12; round++) {
    const step = net(equilibriumC) / exchangeWm2C(equilibriumC, wind);
    equilibriumC += step;
    if (Math.abs(step) < 1e-4) break;
  }
  return { equilibriumC, exchangeWm2C: exchangeWm2C((equilibriumC + usualWaterC) / 2, wind) };
}
