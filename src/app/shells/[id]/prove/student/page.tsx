import { Suspense } from 'react';
import { eyeView } from '@/services/prove/eye-view';
import { EyeStage } from '@/ui/prove/student/eye-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <Suspense>
    <EyeStage view={eyeView(context, shell)} />
  </Suspense>
));
