import { Suspense } from 'react';
import { decideView } from '@/services/decide/decide-view';
import { listSavedViews } from '@/services/decide/saved-views';
import { rulesFor } from '@/services/house-rules/house-rules';
import { PackedWorkbench } from '@/ui/decide/workbench';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => (
  <Suspense>
    <PackedWorkbench
      packed={pack(decideView(context, shell, rulesFor(context, shell.row).key))}
      savedViews={listSavedViews(context)}
    />
  </Suspense>
));
