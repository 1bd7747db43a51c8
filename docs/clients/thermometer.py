# Sends what a thermometer says, a line of °C each, to the bowl it is lent to. Python 3.8 or newer.
#   python3 thermometer.py wide-sheen.pem https://192.168.1.20:8443 BOWL "042 118"
# The code is needed the first time alone; the token is kept in the file thermometer.token.
import json, os, ssl, sys, urllib.request, uuid

authority, server, bowl, *code = sys.argv[1:]
trust = ssl.create_default_context(cafile=authority)

def post(path, body, token=None):
    headers = {"Content-Type": "application/json", **({"Authorization": f"Bearer {token}"} if token else {})}
    request = urllib.request.Request(f"{server}/api/v1{path}", json.dumps(body).encode(), headers)
    return json.load(urllib.request.urlopen(request, context=trust))

if code and not os.path.exists("thermometer.token"):
    with open(os.open("thermometer.token", os.O_CREAT | os.O_WRONLY, 0o600), "w") as file:
        file.write(post("/devices", {"code": code[0], "name": "Thermometer"})["token"])
token = open("thermometer.token").read()
for line in sys.stdin:
    post(f"/bowls/{bowl}/readings", {"id": str(uuid.uuid4()), "temp_c": float(line), "probe": "thermometer"}, token)
