import { editRecipe, recipeEditSchema } from '@/services/recipes/shell-recipe';
import { answer, readBodyAs } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, recipeEditSchema);
  return body.ok ? answer(editRecipe(context, shell, body.value)) : body.response;
});
