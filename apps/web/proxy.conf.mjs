/** In development the page is served apart from the API, which is asked through it. */
export default { '/api': { target: `http://127.0.0.1:${process.env.INKY_PORT ?? 4720}` } };
