import type { Language } from './language';

/** English as it is written in courses on both sides of the ocean (common practice, no source). */
export const english: Language = {
  months: {
    january: 1,
    jan: 1,
    february: 2,
    feb: 2,
    march: 3,
    mar: 3,
    april: 4,
    apr: 4,
    may: 5,
    june: 6,
    jun: 6,
    july: 7,
    jul: 7,
    august: 8,
    aug: 8,
    september: 9,
    sept: 9,
    sep: 9,
    october: 10,
    oct: 10,
    november: 11,
    nov: 11,
    december: 12,
    dec: 12,
  },
  weekdays: {
    monday: 1,
    mon: 1,
    tuesday: 2,
    tues: 2,
    tue: 2,
    wednesday: 3,
    weds: 3,
    wed: 3,
    thursday: 4,
    thurs: 4,
    thur: 4,
    thu: 4,
    friday: 5,
    fri: 5,
    saturday: 6,
    sat: 6,
    sunday: 7,
    sun: 7,
  },
  seasons: { winter: 'winter', spring: 'spring', summer: 'summer', autumn: 'autumn', fall: 'autumn' },
  seasonMarks: {
    F: 'autumn',
    FA: 'autumn',
    FL: 'autumn',
    AU: 'autumn',
    SP: 'spring',
    S: 'spring',
    SU: 'summer',
    W: 'winter',
    WI: 'winter',
  },
  termWords: ['semester', 'trimester', 'quarter', 'term'],
  academicYear: /\b(?:AY|A\.Y\.|academic\s+year|school\s+year|session)\s*:?\s*/i,
  numberedThings:
    /\b(?:weeks?|wk|units?|modules?|labs?|lectures?|lessons?|sessions?|chapters?|ch|figures?|fig|tables?|pages?|pp?|rooms?|sections?|parts?|questions?|tasks?|steps?|no|nos|number|group|station|site|version|level)\.?\s*#?\s*$/i,
  obligation:
    /\b(?:due|opens|closes|opening|closing|(?:open|close)\s+on|submit(?:s|ted)?|submissions?|hand(?:ed)?[\s-]?in|turn(?:ed)?\s+in|upload(?:s|ed)?|deadlines?|exams?|examinations?|mid-?terms?|finals|final\s+(?:exam|test|presentations?|report|project|paper)|(?:test|visit|talk)\s+(?:is|will\s+be|takes)|quiz(?:zes)?|available\s+(?:until|from|on|till)|expires?|register|registration|sign[\s-]?up|no\s+later\s+than|late\s+work|must\s+be\s+(?:handed|submitted|returned|sent|done|finished|uploaded|paid|in)|presentations?\s+(?:is|are|on)|starts?\s+on|begins?\s+on|ends?\s+on)\b/i,
  deadlineBefore:
    /\b(?:by|until|till|before|no\s+later\s+than)\s+(?:(?:midnight|noon|\d{1,2}(?::\d{2})?\s*(?:[ap]\.?m\.?)?)\s+(?:on\s+)?)?(?:the\s+)?$/i,
  pastTense:
    /\b(?:was|were|had|did|died|began|became|came|fell|flooded|found(?:ed)?|built|opened|closed|published|discovered|recorded|measured|sampled|happened|struck|burst|broke|signed|wrote|said|told|saw|took|gave|made|went|held|born|visited|ended|started|introduced|established|collected|reached|rose|peaked)\b/i,
  history:
    /\b(?:since|history|historical(?:ly)?|century|centuries|decades?|war|treaty|battle|founded|published|publication|discovered|record(?:s|ed)?|dataset|data\s+(?:from|of|for)|census|census\s+of|census\s+data|flood\s+of|storm\s+of|drought\s+of|earthquake|eruption|photograph(?:ed|s)?|died|born|archive[sd]?|newspaper|edition|retrieved|accessed|years?\s+ago)\b/i,
  historyBefore:
    /(?:\b(?:since|published(?:\s+in)?|in\s+press|accessed|retrieved|(?:floods?|droughts?|storms?|surveys?|census|eruption|data|records?|samples?|photographs?|measurements?|edition|issue)\s+(?:of|from|in|for|since))\s+(?:the\s+)?|[©]\s*|\(c\)\s*)$/i,
  historyAfter:
    /^\W{0,2}\s*(?:floods?|drought|storms?|surveys?|census|data(?:set)?|records?|eruption|edition|issue|volume|issues|population|budget|influenza|season|samples?|measurements?)\b/i,
  citation:
    /\bet\s+al\b|\bdoi\b|\b(?:vol|no|pp?|eds?|ch)\.\s*\d|\bpp\.|\bISBN\b|\bISSN\b|\b(?:journal|quarterly|bulletin|proceedings|transactions|gazette|press|publishers?|review|magazine)\b|\(\s*(?:19|20)\d{2}[a-z]?\s*[),:]|\b[A-Z]\p{L}+,\s+[A-Z]\.|\bretrieved\s+(?:from|on)\b|\baccessed\b/iu,
  referenceHeading:
    /^\s*(?:\d+\.?\s*)?(?:references?(?:\s+list)?|bibliography|works\s+cited|literature(?:\s+cited)?|sources|further\s+reading|citations?|cited\s+works|publications)\s*:?\s*$/i,
  referenceLine:
    /^\s*(?:\[?\d{1,3}[\].]\s*)?\p{Lu}[\p{L}'’-]+,\s+(?:\p{Lu}\.[\s-]?)+[^\n]{0,120}\b(?:19|20)\d{2}/u,
  copyright: /©|\(c\)\s*(?:19|20)\d{2}|\bcopyright\b|\ball\s+rights\s+reserved\b|\blicen[cs]ed?\s+under\b/i,
  yearly:
    /\b(?:holiday|birthday|anniversary|every\s+year|each\s+year|annual(?:ly)?|yearly|independence\s+day|labou?r\s+day|new\s+year|christmas|boxing\s+day|hallowe'?en|earth\s+day|world\s+\w+\s+day|memorial\s+day|saint\s+\w+|st\.?\s+\w+'?s\s+day|solstice|equinox|tax\s+(?:year|day)|fiscal\s+year)\b/i,
  placeholder:
    /\blorem\s+ipsum\b|\[\s*(?:please\s+)?(?:insert|enter|add|type|fill\s+in|replace|delete|edit|instructor|teacher|professor|course|your)\b[^\]\n]{0,80}\]|<\s*(?:insert|enter|add)\s+[^>\n]{1,60}>|\byour\s+(?:name|e-?mail|office|title|course|department|text|phone)(?:\s+\w+)?\s+(?:goes\s+)?here\b|\bTB[DA]\b|\bclick\s+(?:here\s+)?to\s+(?:add|edit|enter)\b|\b(?:replace|delete|overwrite|remove)\s+this\s+(?:text|paragraph|sentence|section|line|box|placeholder)\b|\b(?:instructions|notes?|information)\s+(?:for|to)\s+(?:the\s+)?(?:teachers?|instructors?|faculty|course\s+designers?)\s*:|\bplaceholder\s+text\b|\btext\s+goes\s+here\b|\b(?:add|insert)\s+(?:your\s+)?(?:text|content|description)\s+here\b|(?<![\w/])X{1,2}[/.]X{1,2}(?:[/.]X{2,4})?(?![\w/])/gi,
  placeholderCues: {
    words: ['lorem', 'tbd', 'tba', 'click', 'placeholder', 'x', 'xx'],
    chars: '[<',
    pairs: [
      [['here'], ['your', 'goes', 'add', 'insert']],
      [['this'], ['replace', 'delete', 'overwrite', 'remove']],
      [
        ['instructions', 'note', 'notes', 'information'],
        ['teacher', 'teachers', 'instructor', 'instructors', 'faculty', 'designer', 'designers'],
      ],
    ],
  },
  untitled:
    /^\s*(?:untitled|new|unnamed)(?:\s+(?:page|module|item|document|assignment|quiz|discussion|folder|link|file))?\s*(?:\(?\d+\)?)?\s*$/i,
  fillIn: /_{3,}|\.{6,}|\bfill\s+in\s+the\s+(?:blank|gap|missing)|\bcomplete\s+the\s+sentence|\bgap\s+fill/i,
  copyTitle: [
    /^copy(?:\s{0,3}\(?\d{1,6}\)?)?\s{1,3}of\s{1,3}(.+)$/i,
    /^(.+?)\s{0,3}[-–—_]\s{0,3}copy(?:\s{0,3}\(?\d{1,6}\)?)?$/i,
    /^(.+?)\s{1,3}copy(?:\s{0,3}\(?\d{1,6}\)?)?$/i,
    /^(.+?)\s{0,3}\((?:copy(?:\s{0,3}\d{1,6})?|\d{1,2})\)$/i,
  ],
  answerName:
    /\banswer\s*keys?\b|\bmarking\s+(?:guide|scheme|key)s?\b|\b(?:grading|scoring)\s+(?:key|guide)\b|\binstructors?['’]?s?\s+(?:only|copy|guide|manual|edition|version|notes)\b|\bteachers?['’]?s?\s+(?:only|copy|guide|edition|notes)\b|\bmodel\s+answers?\b|\bfor\s+(?:instructors|teachers|staff)\s+only\b|\bstaff\s+only\b/i,
  answerLabel:
    /\b(?:solutions?|key)\s*:|[([{][^)\]}]{0,24}\b(?:solutions?|key)\s*[)\]}]|\s[-–—|]\s*(?:solutions?|key)\b|[-–—|]\s*(?:solutions?|key)\s*$|\b(?:solutions?|key)\s*$/i,
  versionWords:
    /\b(?:draft|final|old|new|outdated|superseded|deprecated|obsolete|previous|updated?|revised|v(?:er(?:sion)?)?\.?\s*\d+(?:\.\d+)*|rev(?:ision)?\.?\s*(?:\d+|[A-Z])\b)/gi,
  seriesLabels: {
    week: 'week',
    weeks: 'week',
    wk: 'week',
    w: 'week',
    unit: 'unit',
    units: 'unit',
    lesson: 'lesson',
    lessons: 'lesson',
    module: 'module',
    modules: 'module',
    mod: 'module',
    chapter: 'chapter',
    chapters: 'chapter',
    chap: 'chapter',
    ch: 'chapter',
    session: 'session',
    sessions: 'session',
    topic: 'topic',
    topics: 'topic',
    part: 'part',
    parts: 'part',
    lab: 'lab',
    labs: 'lab',
    section: 'section',
    lecture: 'lecture',
    lectures: 'lecture',
  },
  syllabus: /\b(?:syllabus|course\s+(?:outline|information|handbook|guide|description)|module\s+handbook)\b/i,
  shortForm:
    /(?:^|[\s(])(?:[A-Za-z]|[ap]\.m|e\.g|i\.e|cf|etc|vs|approx|no|nos|vol|pp?|ed|eds|ch|fig|st|dr|mr|ms|mrs|prof|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|mon|tues?|wed|thurs?|fri|sat|sun)\.$/i,
  spelledNumbers:
    'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen'.split(' '),
  ordinals: { first: 1, second: 2, third: 3, fourth: 4, '1st': 1, '2nd': 2, '3rd': 3, '4th': 4 },
  unitAfter:
    /^\s*(?:cm|mm|m|km|ft|in|°|%|st\b|nd\b|rd\b|th\b|days?\b|weeks?\b|months?\b|years?\b|hours?\b|people|students|points?\b|samples?\b|species)/i,
  saysNoClass:
    /\b(no\s+(?:class(?:es)?|lectures?|labs?|lessons?|school)|break|holidays?|recess|closed|vacation|reading\s+week|day\s+off)\b/i,
  computedTotal: /\b(total|totals|weighted|running|overall|final (grade|mark)|sum)\b/i,
  namesAside:
    /\b(?:prerequisites?|co-?requisites?|requires?|required|see\s+also|equivalent|transfer|before\s+taking|after|instead\s+of|cross-?listed)\b/i,
  deadlineName: [
    /^\s*(?:due|deadline|submission|hand[\s-]?in|submit)(?:\s+date)?\s*(?::|[-–—]|\bfor\b|\bof\b)?\s+(.+)$/i,
    /^(.+?)\s{0,3}(?:[-–—:(]\s{0,3})?(?:(?:is\s{1,3}|are\s{1,3})?due(?:\s{1,3}(?:date|today))?|deadline|submission(?:\s{1,3}deadline)?|closes|hand[\s-]?in)\s{0,3}\)?\s{0,3}$/i,
  ],
  kindWords: {
    quiz: ['quiz', 'test', 'exam'],
    discussion: ['discussion', 'forum', 'participation'],
    assignment: ['assignment', 'homework', 'coursework'],
  },
  dataWords:
    /\b(?:data|survey|sampl|measur|winter|flood|drought|season|budget|war|period|between|from|range|average|rainfall|discharge)\w*\b/i,
};
