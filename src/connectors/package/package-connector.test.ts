import type { Shell } from '@/core/shell/model';
import { connectorContract, type Setting } from '../__tests__/contract';
import { PackageConnector } from './package-connector';

connectorContract(
  'the package connector',
  async (shell: Shell): Promise<Setting> => {
    const connector = new PackageConnector(shell);
    return {
      connector,
      renameFirst: async (title) => {
        const [first] = connector.shell.items;
        const before = { title: first?.title ?? '' };
        const edit = {
          op: 'change',
          list: 'items',
          ref: first?.ref ?? '',
          before,
          after: { title },
        } as const;
        await connector.carryOut({ key: 'theirs', edits: [edit] });
      },
      // The store keeps nothing of a run that did not end: whoever comes later has the same connector.
      again: () => connector,
      close: async () => {},
    };
  },
  150,
);
