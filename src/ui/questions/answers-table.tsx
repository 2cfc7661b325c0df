import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { plural } from '@/core/text/plural';
import type { AnswersRead } from '@/services/do/decide/questions';
import styles from './questions.module.css';

const answerWords = { yes: 'Yes', no: 'No', unsure: 'I do not know' } as const;

/** The answers as they were read, with what each comes to, before they are taken. */
export function AnswersTable({ read, onTake }: { read: AnswersRead; onTake: () => void }) {
  const { lines, taken } = read;
  if (taken)
    return (
      <Alert severity="success">
        {plural(lines.length, 'answer')} taken; what was accepted is in the plan.
      </Alert>
    );
  return (
    <section aria-label="Answers that were read">
      <table className={styles.answers}>
        <thead>
          <tr>
            <th scope="col">Question</th>
            <th scope="col">Answer</th>
            <th scope="col">Comes to</th>
            <th scope="col">Note</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, k) => (
            <tr key={k}>
              <td>{line.asks}</td>
              <td>{answerWords[line.answer]}</td>
              <td>
                {plural(line.findings, 'finding')} {line.becomes}
                {line.gone > 0 && `; ${line.gone} not open any more`}
              </td>
              <td>{line.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button variant="contained" onClick={onTake}>
        Take {plural(lines.length, 'answer')}
      </Button>
    </section>
  );
}
