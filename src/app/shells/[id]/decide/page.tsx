import { Suspense } from 'react';
import { decideView } from '@/services/decide/decide-view';
import { listSavedViews } from '@/services/decide/saved-views';
import { rulesFor } from '@/services/house-rules/house-rules';
import { Workbench } from '@/ui/decide/workbench';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => (
  <Suspense>
    <Workbench
      view={decideView(context, shell, rulesFor(context, shell.row).key)}
      savedViews={listSavedViews(context)}
    />
  </Suspense>
));
