import { editRecipe, recipeEditSchema } from '@/services/show/recipes/shell-recipe';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, recipeEditSchema);
  return body.ok ? answer(editRecipe(context, shell, body.value)) : body.response;
});
