import { Suspense } from 'react';
import { eyeView } from '@/services/prove/eye-view';
import { PackedEyeStage } from '@/ui/prove/student/eye-stage';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <Suspense>
    <PackedEyeStage packed={pack(eyeView(context, shell))} />
  </Suspense>
));
