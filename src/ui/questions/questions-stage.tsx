'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { AnswersRead, QuestionsView } from '@/services/do/decide/questions';
import { sendText } from '../jobs/use-job';
import { FileButton } from '../parts/file-button';
import { AnswersTable } from './answers-table';
import styles from './questions.module.css';

/** What waits for the owner: out as a sheet, back as answers, shown before they are taken. */
export function QuestionsStage({ view }: { view: QuestionsView }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [read, setRead] = useState<AnswersRead | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const address = `/api/shells/${view.id}/questions`;
  const ask = async (answers: string, take: boolean) => {
    const result = await sendText<AnswersRead>(take ? `${address}?take=yes` : address, answers);
    setRead(result.ok ? result.value : null);
    setTrouble(result.ok ? null : result.trouble);
    if (take) router.refresh();
  };
  const look = async (file: File) => {
    const answers = await file.text();
    setText(answers);
    await ask(answers, false);
  };
  const { questions } = view;
  return (
    <div className={styles.page}>
      <div>
        <h1>{plural(questions.length, 'question')} for the owner</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          One answer decides everything that a question is about. The sheet is answered without Currycomb.
        </p>
      </div>
      <div className={styles.buttons}>
        {questions.length > 0 && <SheetButtons address={address} />}
        <FileButton
          variant="outlined"
          words="Read answers …"
          label="A sheet with answers"
          accept=".html,.htm,.csv,text/html,text/csv"
          testId="answers-file"
          onFile={(file) => void look(file)}
        />
      </div>
      {trouble !== null && <Alert severity="warning">{trouble}</Alert>}
      {read && <AnswersTable read={read} onTake={() => void ask(text, true)} />}
      {questions.length === 0 ? (
        <p>
          Nothing waits for the owner. On <Link href={`/shells/${view.id}/decide`}>Findings</Link>, Ask puts a
          finding on the sheet.
        </p>
      ) : (
        <ol className={styles.questions}>
          {questions.map((question) => (
            <QuestionLine key={question.id} question={question} />
          ))}
        </ol>
      )}
    </div>
  );
}

function SheetButtons({ address }: { address: string }) {
  return (
    <>
      <Button variant="contained" href={address} download>
        Save the question sheet
      </Button>
      <Button variant="outlined" href={`${address}?as=csv`} download>
        As a table (CSV)
      </Button>
    </>
  );
}

/** So many things of one question are named. */
const mostThings = 5;

function QuestionLine({ question }: { question: QuestionsView['questions'][number] }) {
  const { asks, proposal, things } = question;
  return (
    <li>
      <strong>{asks}</strong>
      <span className="soft">
        {proposal === null ? 'Nothing is proposed.' : `Yes would mean: ${proposal}.`}
      </span>
      <ul>
        {things.slice(0, mostThings).map((thing, k) => (
          <li key={k}>{thing}</li>
        ))}
        {things.length > mostThings && <li>and {things.length - mostThings} more</li>}
      </ul>
    </li>
  );
}
