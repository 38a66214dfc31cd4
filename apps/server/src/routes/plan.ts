import { Conditions, makePlan } from '@inky-shoal/core';
import { Router } from 'express';
import { bodyOf } from '../http/validate.js';

/** Conditions in, plan out. Nothing is saved. */
export function planRoute(): Router {
  const router = Router();
  router.post('/plan', (request, response) => {
    response.json(makePlan(bodyOf(request, Conditions)));
  });
  return router;
}
