const listed = (text: string): string[] => text.trim().split(/\s+/);

/** PINs of six digits that most of those are who take what is easy to type: patterns of the keys, doubled digits, there and back. */
export const COMMON_PINS: ReadonlySet<string> = new Set(
  listed(`112233 123321 123654 321654 654123 456123 789456 789123 147258 258369 369258 147852 258147 963852 852963 852456 741852 951753
   159753 159357 753951 357159 159951 124578 142536 135790 246810 135791 102030 010203 203040 112211 121314 101112 131415 110011
   220022 445566 223344 778899 334455 556677 667788 998877 665544 332211 007007 110110 520131 142857 314159 271828`),
);

/** Words that passwords are made of by whoever wants none, on the keys of any country; what they are dressed up with is no secret. */
const COMMON_WORDS = listed(`
   password passwort passw motdepasse contrasena qwerty qwertz azerty uiop asdf ghjkl yxcv zxcv letmein welcome
   iloveyou administrator admin changeme secret master login access hello default monkey dragon football sunshine
   princess starwars superman abc abcdef ghijkl qaz wsx edc rfv chainsaw workshop technician counter rusty wren shop
   bench lead my the is and new test user`);
const MADE_OF_THEM = new RegExp(`^(?:${COMMON_WORDS.join('|')})+$`);
/** What stands for a letter where somebody was asked for digits. */
const STANDS_FOR: Readonly<Record<string, string>> = {
  '0': 'o',
  '1': 'i',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '@': 'a',
  $: 's',
};
const undressed = (text: string): string =>
  text.replaceAll(/[013457@$]/g, (sign) => STANDS_FOR[sign] ?? sign);

/** Whether a password is nothing but common words and what they are dressed up with: digits, signs, capitals. */
export function isCommonPassword(secret: string): boolean {
  const plain = secret.toLowerCase();
  const bare = plain.replaceAll(/^[^a-z]+|[^a-z]+$/g, '');
  return [plain, undressed(plain), undressed(bare)].some((text) =>
    MADE_OF_THEM.test(text.replaceAll(/[^a-z]/g, '')),
  );
}
