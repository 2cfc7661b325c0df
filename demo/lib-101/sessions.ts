/** The eight sessions of LIB 101, each a page to read, a task and a short check. Written for the demo. */
export interface Session {
  readonly title: string;
  readonly reading: readonly [title: string, text: string];
  readonly example: readonly [title: string, text: string];
  readonly task: readonly [title: string, text: string];
  readonly check: readonly [stem: string, answers: readonly string[], right: number];
}

export const sessions: readonly Session[] = [
  {
    title: 'Asking a question that can be answered',
    reading: [
      'From topic to question',
      'A topic is a field, a question is a path across it. Write down what you would have to see to be persuaded; if nothing comes to mind, the question is still a topic. Narrow it by place, by time, or by whom it concerns, and keep the version you began with, since it shows how far you came.',
    ],
    example: [
      'One topic, five questions',
      'Salt on winter roads: five people asked five questions about it, from the cost of grit to the taste of a well. Only two of them could be answered in a term. The list shows which, and what made the difference.',
    ],
    task: [
      'Your question in one sentence',
      'Write the question that you want to answer in this course, and three words that somebody else might use for the same thing.',
    ],
    check: [
      'What makes a topic a question?',
      ['One can say what would answer it', 'It is longer', 'It has a question mark'],
      0,
    ],
  },
  {
    title: 'Where things are kept',
    reading: [
      'Shelves, indexes, repositories',
      'A shelf holds what was bought, an index knows what was written, a repository keeps what was given. Each is blind in its own way: the shelf to what is new, the index to what is small, the repository to what nobody handed in. Ask in all three before you say that there is nothing.',
    ],
    example: [
      'The pamphlet that no index knew',
      'A survey of wells was printed in eighty copies. No index has it. It stood on a shelf behind the local maps, and the keeper of the maps knew.',
    ],
    task: [
      'Three places, three finds',
      'Find one source for your question on a shelf, one through an index, one in a repository. Say what each would have missed.',
    ],
    check: [
      'Which of these is blind to what was never handed in?',
      ['A shelf', 'An index', 'A repository'],
      2,
    ],
  },
  {
    title: 'Words that find',
    reading: [
      'Terms, and their neighbours',
      'Whoever wrote the text chose the words, not you. Collect synonyms, older names, the word in use abroad. Join them with “or”, and join ideas with “and”; keep the sentence in a field book so that you can search again in a month.',
    ],
    example: [
      'Brook, beck, burn',
      'The same small stream is a brook in one county, a beck in the next and a burn beyond the border. A search for one of them finds a third of the literature.',
    ],
    task: [
      'A search that can be repeated',
      'Write your search as one line with its terms and joints, run it twice in two indexes, and note what each run found.',
    ],
    check: ['Two words for one idea are joined by', ['and', 'or', 'not'], 1],
  },
  {
    title: 'Judging a source',
    reading: [
      'Who says so, and how do they know',
      'Ask first who had to gain, then how they came to know, and only then whether you agree. A survey since 1998 that counts the same stones each year tells more than a single splendid photograph. Numbers without a method are decoration.',
    ],
    example: [
      'Two reports on one flood',
      'The town’s report names the highest stage; the insurer’s names the largest damage. Both are true. The table shows what each of them counted, and what neither did.',
    ],
    task: [
      'Side by side',
      'Take two sources that disagree. Say in one page what each of them counted, and who paid for the counting.',
    ],
    check: ['What is asked first?', ['Do I agree?', 'Who says so?', 'Is it well written?'], 1],
  },
  {
    title: 'Reading without drowning',
    reading: [
      'Three passes',
      'First the ends: title, abstract, last paragraph, pictures. Then the middle, with a pencil, and a word in the margin for each paragraph. Then, for the two or three that matter, all of it. Most texts deserve only the first pass, and that is no insult to them.',
    ],
    example: [
      'A page with its margin',
      'The margin of this page says: claim, why, doubt, number, number, so what. From those six words the page can be told again a week later.',
    ],
    task: [
      'Six words in a margin',
      'Hand in one page that you read in the second pass, with your margin on it.',
    ],
    check: ['How many texts deserve the third pass?', ['All', 'Most', 'Two or three'], 2],
  },
  {
    title: 'Quoting and retelling',
    reading: [
      'Whose sentence is this',
      'A quotation keeps the words and says so; a retelling keeps the thought and says so, too. What is forbidden is the third thing: the words a little stirred. Close the book before you retell, and open it only to check.',
    ],
    example: [
      'A stirred sentence, and a retold one',
      'Left the original, in the middle the same with three words exchanged, right a retelling by somebody who had closed the book. Only one of the two belongs to its writer.',
    ],
    task: [
      'Retell with the book closed',
      'Retell one paragraph of your main source from memory; then open the book and mark what came out different.',
    ],
    check: ['A sentence with three words exchanged is', ['a retelling', 'a quotation', 'neither'], 2],
  },
  {
    title: 'The list at the end',
    reading: [
      'What a reference is for',
      'It leads a stranger to the same page. Author, year, title, and where it stands: everything that the stranger needs, nothing that they do not. Choose one form and keep to it; the reader forgives any form, and no mixture.',
    ],
    example: [
      'Eight references, set right',
      'Each of these was handed in with one thing missing. The right-hand column says what was missing, and how it was found.',
    ],
    task: [
      'Ten references for a stranger',
      'Hand in ten references for your question in one form. Exchange lists, and find three things on the list of the other.',
    ],
    check: [
      'A reference leads',
      ['the writer to fame', 'a stranger to the same page', 'the reader to the end'],
      1,
    ],
  },
  {
    title: 'Putting it together',
    reading: [
      'The smallest honest answer',
      'Say what you asked, where you looked, what you found, and what you could not find. The last part is the one that people will thank you for. Two pages are enough if nothing in them has to be taken on trust.',
    ],
    example: [
      'An answer in two pages',
      'This one asks whether the mill pond was ever drained. It cites nine sources, fails to find a tenth, and says why that one would have mattered most.',
    ],
    task: [
      'Your answer',
      'Two pages: the question, the search, the answer, the gap, and the list at the end.',
    ],
    check: ['Which part is thanked for?', ['The title', 'What could not be found', 'The length'], 1],
  },
];
