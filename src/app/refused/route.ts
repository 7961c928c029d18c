/** What any name but this computer's own is answered with. */
const refuse = () =>
  new Response(
    "This program answers only on the computer it runs on: open it at http://127.0.0.1 or http://localhost.\n",
    {
      status: 421,
      headers: { "content-type": "text/plain; charset=utf-8" },
    },
  );

export { refuse as GET, refuse as POST, refuse as PUT, refuse as DELETE, refuse as PATCH };
