import createClient, { type Middleware } from "openapi-fetch";
import type { paths as besidePaths } from "./beside";
import { apiOf, kitchenApi, kitchenHere } from "./here";
import { asKept, inWordsOfPage } from "./made-up";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type BuildDocument = Schemas["Document"];
export type Line = Schemas["Line"];
export type Preparation = Schemas["Preparation"];
export type Piece = Schemas["Piece"];
export type Cook = Schemas["Cook"];
export type Wait = Schemas["Wait"];
export type Prediction = Schemas["Predicted"];
export type Note = Schemas["Note"];
export type Build = Schemas["Build"];
export type BuildEntry = Schemas["Entry"];
export type Version = Schemas["Version"];
export type Food = Schemas["Food"];
export type Vocabulary = Schemas["Vocabulary"];
export type Way = Schemas["Way"];
export type Move = Schemas["Move"];
export type Role = Schemas["Role"];
export type Eaters = Schemas["Eaters"];
export type Person = Schemas["Person"];
export type Mend = Schemas["Mend"];
export type Reading = Schemas["Reading"];
export type PantryItem = Schemas["PantryItem"];
export type PackLabel = Schemas["PackLabel"];
export type Baked = Schemas["Baked"];
export type CookNote = Schemas["CookNote"];
export type Step = Schemas["Step"];
export type Load = Schemas["Load"];
export type Section = Schemas["Section"];
export type Outlook = Schemas["Outlook"];
export type Settings = Schemas["Settings"];
export type KitchenEntry = Schemas["KitchenEntry"];
export type Me = Schemas["Me"];
export type KitchenFirst = Schemas["KitchenFirst"];
export type Part = Schemas["Part"];
export type PartResult = Schemas["PartResult"];
export type PartKind = Part["kind"];
export type Dish = Schemas["Dish"];
export type Share = Schemas["Share"];
export type Scaling = Schemas["Scaling"];
export type Purchase = Schemas["Purchase"];
export type Comparison = Schemas["Comparison"];
export type Explained = Schemas["Explained"];
export type Recipe = Schemas["Recipe"];
export type ReadRow = Schemas["ReadRow"];
export type Ask = Schemas["Ask"];
export type Proposal = Schemas["Proposal"];
export type Phrase = Schemas["Phrase"];
export type StepSpan = Schemas["StepSpan"];
export type Question = Schemas["Question"];
export type Choice = Schemas["Choice"];
export type Instruction = Schemas["Instruction"];
export type Problem = Schemas["Problem"];
export type Refusal = Schemas["Refusal"];
export type Change = Schemas["Change"];
export type Setting = Schemas["Setting"];
export type Sitting = Schemas["Sitting"];
export type Page = Schemas["Page"];
export type Shaped = Schemas["Shaped"];
export type Hand = Schemas["Hand"];
export type SupperDocument = Schemas["Supper"];
export type SupperDish = Schemas["SupperDish"];
export type SupperStep = Schemas["SupperStep"];
export type SupperPin = Schemas["SupperPin"];
export type KeptSupper = Schemas["KeptSupper"];
export type SupperEntry = Schemas["SupperEntry"];
export type SupperBoxLook = Schemas["SupperBoxLook"];
export type SupperLook = Schemas["SupperLook"];
export type SupperPurchase = Schemas["SupperPurchase"];
export type Plan = Schemas["Plan"];
export type PlanStep = Schemas["PlanStep"];
export type Side = Schemas["Side"];
export type Course = Schemas["Course"];
export type CourseDish = Schemas["CourseDish"];
export type CourseStep = Schemas["CourseStep"];
export type CourseTask = Schemas["CourseTask"];
export type CourseHeat = Schemas["CourseHeat"];
export type CourseAbout = Schemas["CourseAbout"];
export type CourseBowl = Schemas["CourseBowl"];
export type CourseWeigh = Schemas["CourseWeigh"];
export type CourseEvent = Schemas["Event"];
export type CourseEntry = Schemas["CourseEntry"];
export type Findings = Schemas["Findings"];
export type TryEntry = Schemas["TryEntry"];
export type TryList = Schemas["TryList"];
export type KeptTry = Schemas["KeptTry"];
export type TryDraft = Schemas["TryDraft"];
export type TryCause = Schemas["TryCause"];
export type TrySaid = Schemas["Said"];
export type Found = Schemas["Found"];
export type KitchenLearned = Schemas["KitchenLearned"];
export type LearnedFigure = Schemas["LearnedFigure"];
export type TrustBin = Schemas["TrustBin"];
export type PattiesAnswer = Schemas["PattiesAnswer"];
export type PattyQuestion = Schemas["OpenQuestion"];
export type FriedPatty = Schemas["FriedPatty"];
export type Handful = Schemas["Handful"];
export type PracticePage = Schemas["PracticePage"];
export type PracticeSitting = Schemas["PracticeSitting"];
export type PracticeDrill = Schemas["PracticeDrill"];
export type PracticeOption = Schemas["PracticeOption"];
export type PracticeCalled = Schemas["PracticeCalled"];
export type PracticeCallSent = Schemas["PracticeCallSent"];
export type PracticeMarked = Schemas["PracticeMarked"];
export type PracticeEye = Schemas["PracticeEye"];
export type PracticeKind = PracticeDrill["kind"];

/** What pages keep again as they were given it: documents are exchanged as they are kept, and said in the page's language. */
const keptAgain = /^\/(builds|suppers|tries)(\/|$)/;

const documents: Middleware = {
  async onRequest({ request, schemaPath }) {
    if ((request.method !== "POST" && request.method !== "PUT") || !keptAgain.test(schemaPath))
      return request;
    const body = await request.clone().text();
    if (!body.startsWith("{")) return request;
    return new Request(request, { body: JSON.stringify(asKept(JSON.parse(body))) });
  },
  async onResponse({ response, schemaPath }) {
    const json = response.headers.get("Content-Type")?.startsWith("application/json");
    if (!response.ok || !json || !keptAgain.test(schemaPath)) return response;
    if (document.documentElement.lang === "en") return response;
    const said = await inWordsOfPage(await response.clone().json());
    return new Response(JSON.stringify(said), { status: response.status, headers: response.headers });
  },
};

type Server = ReturnType<typeof createClient<besidePaths>>;
type Kitchen = ReturnType<typeof createClient<paths>>;

/** What is beside kitchens. */
export const server: Server = createClient<besidePaths>({ baseUrl: "/" });

/** What is of the kitchen that the page is of. */
export const api: Kitchen = clientOf(kitchenApi);

const clients = new Map<string, Kitchen>();

/** What is of a kitchen, whichever the page is of. */
export function apiIn(kitchen: string): Kitchen {
  const made = clients.get(kitchen) ?? clientOf(apiOf(kitchen));
  clients.set(kitchen, made);
  return made;
}

server.use({ onRequest: inLanguage });

function clientOf(baseUrl: string): Kitchen {
  const client = createClient<paths>({ baseUrl });
  client.use({ onRequest: inLanguage, onResponse: signedOut });
  client.use(documents);
  return client;
}

let leaving = false;

/** Whoever was signed out in the middle is asked who they are, and comes back; what they did is kept meanwhile. */
function signedOut({ response }: { response: Response }) {
  if (response.status !== 401 || !kitchenHere || leaving) return;
  leaving = true;
  setTimeout(() => location.replace(`/sign-in?to=${encodeURIComponent(location.pathname)}`), 300);
}

/** The kitchen answers in the language of the page, not of the browser. */
function inLanguage({ request }: { request: Request }) {
  request.headers.set("Accept-Language", document.documentElement.lang || "en");
  return request;
}

/** A request that the server answered with a problem, or did not answer (status 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly problem?: Problem,
  ) {
    super(problem?.detail ?? `status ${status}`);
  }

  /** Nobody answered, or the server said to come again: what was sent may be sent again. */
  get temporary() {
    // A kitchen that is full (507) stays so until somebody makes room.
    // Whoever was signed out sends it once they are in again.
    if (this.status === 401) return true;
    return this.status === 0 || (this.status >= 500 && this.status !== 507) || this.status === 429;
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** Gives the data of an answer; throws an ApiError otherwise. */
export async function unwrap<T>(request: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await request;
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new ApiError(0);
  }
  if (!answer.response.ok) throw new ApiError(answer.response.status, answer.error as Problem);
  return answer.data as T;
}

export const etag = (version: number) => `"${version}"`;

/** The foods of the kitchen, by their IDs. */
export type Foods = Map<string, Food>;
