/** What a person is told is one short text that ends as a sentence does, and shows nothing of the program’s own. */
export const oneSentence = /^(?!.*(?:undefined|\[object |TypeError|Currycomb itself))[^\n]{10,900}[.!?”]$/;
