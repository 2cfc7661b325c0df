// First what the package looks for when it is evaluated; whoever wants the message bar comes this way (the linter sees to it).
import './style-nonce';

export { SnackbarProvider, useSnackbar, type SnackbarKey } from 'notistack';
