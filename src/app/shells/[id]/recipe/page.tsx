import { recipeView } from '@/services/show/recipes/shell-recipe';
import { RecipePage } from '@/ui/recipes/recipe-page';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => <RecipePage view={recipeView(context, shell)} />);
