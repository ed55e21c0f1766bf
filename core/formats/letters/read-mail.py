"""Reads a draft with Python's own mail parser (an independent reader) and tells what it found, as JSON."""

import base64
import email
import json
import sys
from email import policy

with open(sys.argv[1], "rb") as file:
    raw = file.read()
message = email.message_from_bytes(raw, policy=policy.default)
body = message.get_body(preferencelist=("plain",))
print(
    json.dumps(
        {
            "to": [{"name": one.display_name, "address": one.addr_spec} for one in message["to"].addresses]
            if message["to"]
            else [],
            "subject": message["subject"],
            "date": message["date"].datetime.isoformat(),
            "unsent": message["x-unsent"],
            "body": body.get_content(),
            "attachments": [
                {
                    "name": part.get_filename(),
                    "type": part.get_content_type(),
                    "bytes": base64.b64encode(part.get_payload(decode=True)).decode(),
                }
                for part in message.iter_attachments()
            ],
            "defects": [str(defect) for part in message.walk() for defect in part.defects],
            "longest": max(len(line) for line in raw.split(b"\r\n")),
            "ascii": all(byte < 128 for byte in raw),
            "bareLines": raw.replace(b"\r\n", b"").count(b"\n"),
        }
    )
)
