// Sends what a thermometer says, a line of °C each, to the bowl it is lent to. Node 20 or newer.
//   NODE_EXTRA_CA_CERTS=wide-sheen.pem node thermometer.mjs https://192.168.1.20:8443 BOWL "042 118"
// The code is needed the first time alone; the token is kept in the file thermometer.token.
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { createInterface } from "node:readline";

const [server, bowl, code] = process.argv.slice(2);
const post = async (path, body, token) => {
  const headers = { "Content-Type": "application/json", ...(token && { Authorization: `Bearer ${token}` }) };
  const said = await fetch(`${server}/api/v1${path}`, { method: "POST", headers, body: JSON.stringify(body) });
  if (!said.ok) throw new Error(`${said.status}: ${(await said.json()).detail}`);
  return said.json();
};
if (code && !existsSync("thermometer.token")) {
  writeFileSync("thermometer.token", (await post("/devices", { code, name: "Thermometer" })).token, { mode: 0o600 });
}
const token = readFileSync("thermometer.token", "utf8");
for await (const line of createInterface({ input: process.stdin })) {
  await post(`/bowls/${bowl}/readings`, { id: crypto.randomUUID(), temp_c: Number(line), probe: "thermometer" }, token);
}
