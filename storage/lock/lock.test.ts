import { gcm } from "@noble/ciphers/aes";
import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { entriesOf, fileId, smallCourse } from "#core/testing";
import { courseOf } from "#core/model";
import { memoryNeighbours, memoryShelves } from "../shelves/memory-shelves";
import { Repository } from "../repository";
import type { Shelf, Shelves } from "../shelves/shelf";
import { Cipher } from "./cipher";
import { readLock, type Stretcher } from "./lock-record";
import { UNREADABLE } from "./unreadable";
import { noKeyTabs } from "./key-tabs";
import { CourseLockedError, type KeyTabs } from "./locksmith";

/** Stands in for Argon2id, which takes half a second: the sum of salt and passphrase. */
const quick: Stretcher = {
  measure: () => Promise.resolve({ memory: 8, passes: 1 }),
  stretch: async (passphrase, salt) =>
    new Uint8Array(await crypto.subtle.digest("SHA-256", new TextEncoder().encode(`${salt.join(" ")} ${passphrase}`))),
};

let count = 0;
const surroundings = {
  now: () => "2026-11-30T09:00:00Z" as Instant,
  fresh: () => `fresh-${String((count += 1)).padStart(8, "0")}`,
  stretcher: quick,
};
const openIn = (shelves: Shelves, keyTabs?: KeyTabs) =>
  Repository.open(shelves, memoryNeighbours()(), { ...surroundings, ...(keyTabs && { keyTabs }) });

const wish = { passphrase: "seven wet herons", label: "Locked course", idleMinutes: 15 };
const paper = new Blob(["The river rose in the night."], { type: "text/plain" });
const files = new Map([[fileId("ada"), paper]]);
const small = () => entriesOf(smallCourse());

/** Everything that lies in the stores, keys too, as one text. */
async function everythingIn(shelves: Shelves): Promise<string> {
  const texts: string[] = [];
  for (const shelf of Object.values(shelves) as Shelf[]) {
    for (const key of await shelf.keys()) {
      const value = await shelf.get(key);
      texts.push(key, value instanceof Blob ? await value.text() : textOf(value));
    }
  }
  return texts.join("\n");
}

const textOf = (value: unknown): string =>
  value instanceof Uint8Array
    ? new TextDecoder("latin1").decode(value)
    : JSON.stringify(value, (_key, one: unknown) => (one instanceof Uint8Array ? textOf(one) : one));

const NAMES = ["Ada", "Quiz", "quiz", "river", "Small", "small"];
const missing = async (shelves: Shelves) => {
  const text = await everythingIn(shelves);
  return NAMES.filter((name) => text.includes(name));
};

describe("sealing", () => {
  const key = crypto.getRandomValues(new Uint8Array(32));
  const cipher = new Cipher(key);

  it("brings every kind of value back, at once and beside the page, each way round", async () => {
    for (const value of [null, 17.5, "é", { a: [1, "2"] }, { seq: 4, bytes: new Uint8Array([0, 255, 7]) }]) {
      expect(cipher.openNow("here", await cipher.seal("here", value))).toEqual(value);
      expect(await cipher.open("here", cipher.sealNow("here", value))).toEqual(value);
    }
    const back = await cipher.open("here", await cipher.seal("here", paper));
    expect(back).toBeInstanceOf(Blob);
    expect([(back as Blob).type, await (back as Blob).text()]).toEqual([paper.type, await paper.text()]);
  });

  it("opens nothing in another place, with another key, or with a bit changed", async () => {
    const sealed = await cipher.seal("journal/c/entry/000000007", "17 of 20");
    expect(await cipher.open("journal/c/entry/000000008", sealed)).toBe(UNREADABLE);
    expect(cipher.openNow("snapshots/c", sealed)).toBe(UNREADABLE);
    expect(await new Cipher(crypto.getRandomValues(new Uint8Array(32))).open("journal/c/entry/000000007", sealed)).toBe(
      UNREADABLE,
    );
    for (let at = 0; at < sealed.length; at += 1) {
      const changed = sealed.slice();
      changed[at] = (changed[at] ?? 0) ^ 1;
      expect(await cipher.open("journal/c/entry/000000007", changed)).toBe(UNREADABLE);
    }
  });

  it("is what the browser's own AES-GCM and the library's both open", async () => {
    const sealed = await cipher.seal("place", { score: 3 });
    const [nonce, body] = [sealed.slice(1, 13), sealed.slice(13)];
    const aad = new TextEncoder().encode("place");
    const web = await crypto.subtle.importKey("raw", key, "AES-GCM", false, ["decrypt"]);
    const one = await crypto.subtle.decrypt({ name: "AES-GCM", iv: nonce, additionalData: aad }, web, body);
    expect(new Uint8Array(one)).toEqual(new Uint8Array(gcm(key, nonce, aad).decrypt(body)));
    // A nonce is never used twice.
    expect((await cipher.seal("place", { score: 3 })).slice(1, 13)).not.toEqual(nonce);
  });
});

/** Test case 16 (AES-256 with data beside) of the GCM specification of McGrew and Viega; values from memory. */
it("the library's AES-256-GCM gives test case 16 of its specification, value from memory", () => {
  const bytes = (hex: string) => Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16));
  const key = bytes("feffe9928665731c6d6a8f9467308308".repeat(2));
  const plain = bytes(
    "d9313225f88406e5a55909c5aff5269a86a7a9531534f7da2e4c303d8a318a721c3c0c95956809532fcf0e2449a6b525b16aedf5aa0de657ba637b39",
  );
  const beside = bytes("feedfacedeadbeeffeedfacedeadbeefabaddad2");
  const sealed = gcm(key, bytes("cafebabefacedbaddecaf888"), beside).encrypt(plain);
  expect(Buffer.from(sealed).toString("hex")).toBe(
    "522dc1f099567d07f47f37a32a84427d643a8cdcbfe5c0c97598a2bd2555d1aa8cb08e48590dbb3da7b08b1056828838c5f61e6393ba7a0abcc9f662" +
      "76fc6ece0f4e1768cddf8853bb2d551b",
  );
});

describe("a locked course", () => {
  it("lies in the stores without a word of it, from its first write on", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    const slot = await repository.keepCourse("small", small(), files, { lock: wish });
    const session = await repository.session(slot);
    session?.submit({ type: "editCourse", fields: { title: "A quiz about a river" } });
    await session?.drafts.put("comment/Ada", { value: "A river of a sentence", seen: "" });
    await repository.remember(`place/${slot}`, { student: "Ada" });
    await session?.settled();
    expect(await missing(shelves)).toEqual([]);
    // The test itself sees them where there is no lock.
    await repository.keepCourse("small", small(), files);
    expect(await missing(shelves)).not.toEqual([]);
  });

  it("is remembered nothing of once it is locked: it would lie open", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    const slot = await repository.keepCourse("small", small(), files, { lock: wish });
    await repository.session(slot);
    repository.locksmith.lock(slot);
    await repository.remember(`folder-trouble/${slot}`, "The folder of Ada is full.");
    expect(await missing(shelves)).toEqual([]);
  });

  it("opens with its passphrase after a restart, and with nothing else", async () => {
    const shelves = memoryShelves();
    const first = await openIn(shelves);
    const slot = await first.keepCourse("small", small(), files, { lock: wish });
    await (await first.session(slot))?.drafts.put("comment/Ada", { value: "half", seen: "" });
    await first.remember(`place/${slot}`, "the third paper");
    const repository = await openIn(shelves);
    await expect(repository.session(slot)).rejects.toThrow(CourseLockedError);
    expect(await repository.recall(`place/${slot}`)).not.toBe("the third paper");
    expect(await repository.courses()).toEqual([{ slot, title: "Locked course", origin: "own", locked: true }]);
    expect(await repository.locksmith.unlock(slot, { passphrase: "seven wet heron" })).toBe(false);
    expect(await repository.locksmith.unlock(slot, { code: "" })).toBe(false);
    await expect(repository.session(slot)).rejects.toThrow(CourseLockedError);
    expect(await repository.locksmith.unlock(slot, { passphrase: "seven wet herons" })).toBe(true);
    const session = await repository.session(slot);
    expect(session?.entries).toHaveLength(small().length);
    expect(session?.drafts.at("comment/Ada")?.value).toBe("half");
    expect(await repository.recall(`place/${slot}`)).toBe("the third paper");
    expect(await (await repository.readFile(slot, fileId("ada")))?.text()).toBe(await paper.text());
  });

  it("opens with the code of its recovery sheet, however it is typed, and only with the last one", async () => {
    const shelves = memoryShelves();
    const first = await openIn(shelves);
    const slot = await first.keepCourse("small", small(), files, { lock: wish });
    await first.locksmith.keepRecovery(slot, "abcd-efgh-2345", "2026-11-30T09:00:00Z");
    await first.locksmith.keepRecovery(slot, "wxyz-efgh-2345", "2026-11-30T09:05:00Z");
    expect(first.locksmith.factsOf(slot)?.recoveryMadeAt).toBe("2026-11-30T09:05:00Z");
    const repository = await openIn(shelves);
    expect(await repository.locksmith.unlock(slot, { code: "abcd-efgh-2345" })).toBe(false);
    expect(await repository.locksmith.unlock(slot, { code: " WXYZ efgh2345" })).toBe(true);
    expect(await repository.session(slot)).not.toBeNull();
  });

  it("takes another passphrase in one write: cut short anywhere, exactly one of the two opens it", async () => {
    const opened: string[] = [];
    for (let write = 0; write < 4; write += 1) {
      const shelves = memoryShelves();
      const slot = await (await openIn(shelves)).keepCourse("small", small(), files, { lock: wish });
      let left = write;
      const cutShort =
        <T extends unknown[]>(act: (...told: T) => Promise<void>) =>
        (...told: T) =>
          (left -= 1) < 0 ? Promise.reject(new Error("killed")) : act(...told);
      const { meta } = shelves;
      const cut = { ...shelves, meta: { ...meta, set: cutShort(meta.set), remove: cutShort(meta.remove) } };
      const killed = await openIn(memoryShelves());
      Object.assign(killed.locksmith, { shelves: cut });
      const change = killed.locksmith.changePassphrase(slot, "seven wet herons", "nine dry herons");
      await change.catch(() => null);
      const repository = await openIn(shelves);
      const tries = await Promise.all(
        ["seven wet herons", "nine dry herons"].map((passphrase) => repository.locksmith.unlock(slot, { passphrase })),
      );
      expect(tries.filter(Boolean)).toHaveLength(1);
      opened.push(tries[0] ? "before" : "after");
      expect((await repository.session(slot))?.damage).toBeNull();
    }
    expect(new Set(opened)).toEqual(new Set(["before", "after"]));
  });

  it("opens although one of the two copies of its lock was lost", async () => {
    for (const lost of ["lock/", "lock-copy/"]) {
      const shelves = memoryShelves();
      const slot = await (await openIn(shelves)).keepCourse("small", small(), files, { lock: wish });
      await shelves.meta.set(`${lost}${slot}`, "nothing");
      expect(await readLock(shelves, slot)).not.toBeNull();
      expect(await (await openIn(shelves)).locksmith.unlock(slot, { passphrase: wish.passphrase })).toBe(true);
    }
  });

  it("has copies under the same lock", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    const slot = await repository.keepCourse("small", small(), files, { lock: wish });
    const copy = await repository.keepCourse("small", small(), files, { lock: { as: slot } });
    expect(await missing(shelves)).toEqual([]);
    const again = await openIn(shelves);
    expect(await again.locksmith.unlock(copy, { passphrase: wish.passphrase })).toBe(true);
    expect((await again.session(copy))?.entries).toHaveLength(small().length);
    await expect(again.session(slot)).rejects.toThrow(CourseLockedError);
    await expect(again.keepCourse("small", small(), files, { lock: { as: slot } })).rejects.toThrow(CourseLockedError);
  });

  it("is unlocked in one tab for all", async () => {
    const shelves = memoryShelves();
    const first = await openIn(shelves);
    const slot = await first.keepCourse("small", small(), files, { lock: wish });
    let keyOf: (slot: string) => Uint8Array | null = () => null;
    await openIn(shelves, { ...noKeyTabs(), listen: (from) => (keyOf = from) }).then((tab) =>
      tab.locksmith.unlock(slot, { passphrase: wish.passphrase }),
    );
    let asked = 0;
    const other = await openIn(shelves, {
      ask: (wanted) => {
        asked += 1;
        return Promise.resolve(keyOf(wanted));
      },
      tellOfKey: () => undefined,
      tellLocked: () => undefined,
      listen: () => undefined,
    });
    const [session] = await Promise.all([other.session(slot), other.tray(slot), other.readFile(slot, fileId("ada"))]);
    expect(session?.entries).toHaveLength(small().length);
    expect(asked).toBe(1);
  });

  it("names a record that was swapped, put back, or written by another hand", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    const slot = await repository.keepCourse("small", small(), files, { lock: wish });
    const session = await repository.session(slot);
    for (const title of ["One", "Two"]) session?.submit({ type: "editCourse", fields: { title } });
    await session?.settled();
    const seq = small().length + 2;
    const keyAt = (place: number) => `${slot}/entry/${String(place).padStart(9, "0")}`;
    const [before, last] = [await shelves.journal.get(keyAt(seq - 1)), await shelves.journal.get(keyAt(seq))];
    for (const [place, value] of [
      [seq, before],
      [seq - 1, last],
      [seq, { seq, schema: 1, text: "{}", sum: "" }],
      [seq - 1, (before as Uint8Array).slice(0, -1)],
    ] as const) {
      await shelves.journal.set(keyAt(seq - 1), before);
      await shelves.journal.set(keyAt(seq), last);
      await shelves.journal.set(keyAt(place), value);
      const again = await openIn(shelves);
      await again.locksmith.unlock(slot, { passphrase: wish.passphrase });
      expect((await again.session(slot))?.damage?.seq).toBe(place);
    }
  });
});

describe("putting a lock on, and taking it off", () => {
  const told = () => undefined;

  it("moves all of a course: journal, files, tray, half-typed words; nothing of it stays behind", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    const slot = await repository.keepCourse("small", small(), files);
    await (await repository.session(slot))?.drafts.put("comment/Ada", { value: "half", seen: "" });
    await repository.remember(`place/${slot}`, "Ada");
    const to = await repository.moveCourse(slot, wish, "", told);
    expect(await missing(shelves)).toEqual([]);
    expect(await repository.session(slot)).toBeNull();
    const session = await repository.session(to);
    expect([session?.entries.length, session?.drafts.at("comment/Ada")?.value]).toEqual([small().length, "half"]);
    expect(await repository.recall(`place/${to}`)).toBe("Ada");
    const back = await repository.moveCourse(to, null, "small", told);
    expect(back).toBe("small");
    const fresh = await openIn(shelves);
    expect((await fresh.session("small"))?.drafts.at("comment/Ada")?.value).toBe("half");
    expect(await (await fresh.readFile("small", fileId("ada")))?.text()).toBe(await paper.text());
    expect((await fresh.courses()).map(({ slot: one, locked }) => [one, locked])).toEqual([["small", undefined]]);
    expect((await shelves.meta.keys()).filter((key) => key.startsWith("lock"))).toEqual([]);
  });

  it("cut short at any write leaves the course once and whole, open or locked", async () => {
    const ends = new Set<boolean>();
    for (let write = 0; write < 40; write += 1) {
      const shelves = memoryShelves();
      await (await openIn(shelves)).keepCourse("small", small(), files);
      let left = Number.POSITIVE_INFINITY;
      const guard = (shelf: Shelf): Shelf => ({
        ...shelf,
        set: (key, value) => ((left -= 1) < 0 ? Promise.reject(new Error("killed")) : shelf.set(key, value)),
        remove: (key) => ((left -= 1) < 0 ? Promise.reject(new Error("killed")) : shelf.remove(key)),
      });
      const cut = Object.fromEntries(
        Object.entries(shelves).map(([name, shelf]) => [name, guard(shelf as Shelf)]),
      ) as unknown as Shelves;
      const killed = await openIn(cut);
      await killed.session("small");
      left = write;
      await killed.moveCourse("small", wish, "", told).catch(() => null);
      const repository = await openIn(shelves);
      const [only, ...more] = await repository.courses();
      expect(more).toEqual([]);
      if (only?.locked) await repository.locksmith.unlock(only.slot, { passphrase: wish.passphrase });
      const session = await repository.session(only?.slot ?? "");
      expect([session?.damage, session?.entries.length]).toEqual([null, small().length]);
      expect(await (await repository.readFile(only?.slot ?? "", fileId("ada")))?.text()).toBe(await paper.text());
      if (only?.locked) expect(await missing(shelves)).toEqual([]);
      ends.add(only?.locked === true);
    }
    expect(ends).toEqual(new Set([true, false]));
  });

  it("can be stopped, and is open as before, with what was changed meanwhile", async () => {
    const shelves = memoryShelves();
    const repository = await openIn(shelves);
    await repository.keepCourse("small", small(), files);
    const session = await repository.session("small");
    const retitled = (title: string) => session?.submit({ type: "editCourse", fields: { title } }).ok;
    const stop = () => {
      throw new Error("stopped");
    };
    await expect(repository.moveCourse("small", wish, "", stop)).rejects.toThrow("stopped");
    expect(await repository.session("small")).toBe(session);
    expect(retitled("After the stop")).toBe(true);
    await session?.settled();
    // A change that comes while the course is being copied is not in the copy: the course stays where it is, with it.
    let isAsked = false;
    const change = () => {
      isAsked ||= retitled("Meanwhile") === true;
    };
    await expect(repository.moveCourse("small", wish, "", change)).rejects.toThrow("changed meanwhile");
    expect(isAsked).toBe(true);
    await session?.settled();
    expect((await repository.courses()).map(({ slot, locked }) => [slot, locked])).toEqual([["small", undefined]]);
    const again = await (await openIn(shelves)).session("small");
    expect(again && courseOf(again.state).title).toBe("Meanwhile");
    expect((await shelves.meta.keys()).filter((key) => key.startsWith("lock"))).toEqual([]);
  });
});
