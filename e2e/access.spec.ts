import { axeFindsNothingIn } from './support/axe';

axeFindsNothingIn(['paper']);
