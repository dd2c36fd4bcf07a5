/**
 * What is wrong with TeX, by what its parser calls it. `%` stands for the command or environment that it names. What is not here is said in the
 * parser's own words.
 */
export const PROBLEMS: Readonly<Record<string, string>> = {
  UndefinedControlSequence: 'There is no command %.',
  UnknownEnv: 'There is no environment “%”.',
  MissingCloseBrace: 'A { is not closed: a } is missing.',
  ExtraCloseMissingOpen: 'This } closes nothing: a { is missing before it.',
  ExtraOpenMissingClose: 'A { is not closed: a } is missing.',
  MissingArgFor: '% lacks what it is to work on, in { }.',
  MissingLeftExtraRight: 'This \\right has no \\left before it.',
  ExtraLeftMissingRight: 'A \\left has no \\right after it.',
  MissingOrUnrecognizedDelim: '% is to be followed by a bracket, or by a full stop for none.',
  MissingCloseBracket: 'A [ is not closed: a ] is missing.',
  DoubleExponent: 'There are two exponents here: put what belongs together in { }.',
  DoubleExponentPrime: 'There are two exponents here: put what belongs together in { }.',
  DoubleSubscripts: 'There are two subscripts here: put what belongs together in { }.',
  EnvBadEnd: '\\begin and \\end name different environments here.',
  EnvMissingEnd: '\\begin{%} has no \\end after it.',
  Misplaced: '% means something in rows and columns only.',
  MathNotTerminated: 'A $ is not closed.',
  MissingDimOrUnits: '% is to be followed by a length with its unit, such as 1em.',
  MaxMacroSub1: 'A command of this equation calls itself for ever.',
  MaxMacroSub2: 'A command of this equation calls itself for ever.',
  MaxBufferSize: 'A command of this equation calls itself for ever.',
  MaxTemplateSubs: 'A command of this equation calls itself for ever.',
};
