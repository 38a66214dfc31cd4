export { SPECIES_LIKES, speciesToday, type SpeciesLikes, type SpeciesToday } from './species.js';
