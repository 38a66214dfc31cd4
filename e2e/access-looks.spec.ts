import { axeFindsNothingIn } from './support/axe';

// Apart from the paper look, so that both can run at once.
axeFindsNothingIn(['night', 'glare']);
