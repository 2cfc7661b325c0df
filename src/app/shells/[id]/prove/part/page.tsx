import { thingsToExport } from '@/services/prove/things-to-export';
import { PartStage } from '@/ui/prove/part-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <PartStage id={shell.row.id} code={shell.row.code} things={thingsToExport(context, shell)} />
));
