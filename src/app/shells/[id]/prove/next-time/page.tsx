import { nextTimeView } from '@/services/do/next-time/next-time';
import { NextTime } from '@/ui/prove/next-time/next-time';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <NextTime view={nextTimeView(context, shell)} />);
