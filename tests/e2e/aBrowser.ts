/** What a person's browser calls itself: the tests' own says that it is a program, and a program opens no link for a family. */
export const A_BROWSER = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/142.0.0.0 Safari/537.36';
