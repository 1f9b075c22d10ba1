// Made by npm run types.
export interface paths {
    "/": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A kitchen, with how much is in it */
        get: operations["getKitchen"];
        /** Give a kitchen another name */
        put: operations["renameKitchen"];
        post?: never;
        /** Erase a kitchen, in seven days; the demonstration at once */
        delete: operations["eraseKitchen"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/archive": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Everything of the kitchen as a zip */
        get: operations["packKitchen"];
        put?: never;
        /** Bring in everything of a kitchen's zip, or nothing */
        post: operations["unpackKitchen"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/bake": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** How long a build takes to cook, and what that does to it */
        post: operations["bake"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/bind": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Choose binders, or what stands in for egg and crumbs */
        post: operations["bind"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Builds, the one changed last first */
        get: operations["listBuilds"];
        put?: never;
        /** Keep a new build */
        post: operations["createBuild"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A build at its newest version */
        get: operations["getBuild"];
        /** Keep a change as a new version */
        put: operations["saveBuild"];
        post?: never;
        /** Put a build away */
        delete: operations["deleteBuild"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/compare": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Two versions side by side: what changed and what it does */
        get: operations["compare"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A build as a file for others to read */
        get: operations["exportBuild"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/page": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A build's kitchen page in words: one can cook from it alone */
        get: operations["pageOfBuild"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Bring a deleted build back */
        post: operations["restoreBuild"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/sittings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The history of a build by sittings, and what each changed, newest first */
        get: operations["listSittings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/versions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The history of a build, newest first */
        get: operations["listVersions"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/versions/{number}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A build as it was */
        get: operations["getVersion"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/versions/{number}/branch": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Begin a try of its own from a version */
        post: operations["branch"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/versions/{number}/label": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Say what to call a version */
        put: operations["nameVersion"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/builds/{id}/versions/{number}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Make an earlier version the newest again */
        post: operations["goBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/common-figures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The common figures of foods that predictions here go by */
        get: operations["getCommonFigures"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/compose": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Propose whole mixes that hold from what is at hand */
        post: operations["compose"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Courses, those that go on first */
        get: operations["listCourses"];
        put?: never;
        /** Begin to cook a supper or a build */
        post: operations["beginCourse"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A course as it is now */
        get: operations["getCourse"];
        put?: never;
        post?: never;
        /** Put a course away */
        delete: operations["deleteCourse"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The events of a course */
        get: operations["listCourseEvents"];
        put?: never;
        /** What a device did, each once */
        post: operations["actOnCourse"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/instruments": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Start or stop simulated instruments */
        post: operations["simulate"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/past": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What an amount would do, before it is taken */
        post: operations["lookPast"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/readings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the probes of a course measured */
        get: operations["listCourseReadings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Bring a course back */
        post: operations["restoreCourse"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/courses/{id}/tokens": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Let an instrument in: a token that is told this once, and ends with the course */
        post: operations["letInstrument"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/devices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The devices at the kitchen's stove */
        get: operations["listDevices"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/devices/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Keep a device out from now on */
        delete: operations["endDevice"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/dish": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A build with its parts: amounts, checks, nutrition and cost */
        post: operations["lookAtDish"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/explain": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** How the figures of a mix come about */
        post: operations["explain"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/figures": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The figures of this kitchen's work, its own over the usual ones */
        get: operations["listFigures"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/fit": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The size of a piece from a number, a mass, a scoop or a tin */
        post: operations["fit"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/foods": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every food of the catalogue, and the kitchen's own */
        get: operations["listFoods"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/giving": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Say whether the kitchen gives its tries to the common figures of foods */
        put: operations["giveTries"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/grams": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What an amount of a food weighs, as a cook writes it: 2 cups, a can, 1 lb */
        get: operations["weigh"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invitations": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Invitations that may still be used */
        get: operations["listInvitations"];
        put?: never;
        /** Invite somebody: a link that works once, for three days */
        post: operations["invite"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invitations/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Take an invitation back */
        delete: operations["endInvitation"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/journal": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who came in, and what was done with people, devices and files */
        get: operations["readJournal"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/learned": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the tries of this kitchen taught, and how far chances could be relied on */
        get: operations["getLearned"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/learned/choose": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Leave out, use or forget what was learned */
        post: operations["chooseLearned"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/leave": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Leave a kitchen; its last owner stays */
        post: operations["leaveKitchen"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/links": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Links that lead somewhere */
        get: operations["listLinks"];
        put?: never;
        /** A link by which anybody can read one build, until a day */
        post: operations["makeLink"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/links/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Take a link back */
        delete: operations["endLink"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/mend": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Mend a mix by the feel of the hand */
        post: operations["mend"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/outlook": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a change would do to the minutes, and the cold before and after */
        post: operations["lookOut"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/own-foods": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Add a food of the kitchen's own, like one of the catalogue */
        post: operations["addOwnFood"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/own-foods/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Change a food of the kitchen's own */
        put: operations["changeOwnFood"];
        post?: never;
        /** Offer a food of the kitchen's own no longer; builds that have it keep it */
        delete: operations["dropOwnFood"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/pairing": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Six figures that let one device in, for five minutes */
        post: operations["openPairing"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/pantry": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the kitchen knows of its foods */
        get: operations["getPantry"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/pantry/{food}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Keep what is known of a food */
        put: operations["savePantryItem"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/parts/fit": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A part of the build in the amount that its pieces or portions want */
        post: operations["fitPart"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/parts/start": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A first try at a part, in the amount the build wants */
        post: operations["startPart"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/patties": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Which test patties to fry next, and what those fried tell */
        post: operations["planPatties"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/people": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who is in the kitchen */
        get: operations["listMembers"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/people/{account}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Give somebody in the kitchen another role */
        put: operations["setMember"];
        post?: never;
        /** Take somebody out of the kitchen */
        delete: operations["removeMember"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/photos": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Keep a picture, turned upright, without where and when it was taken */
        post: operations["keepPhoto"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/photos/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A picture */
        get: operations["getPhoto"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/plan": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** When each step of a supper of several dishes begins */
        post: operations["plan"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How someone's practice stands, and the sitting that is not over */
        get: operations["getPractice"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/calls.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What was called, as a table */
        get: operations["exportPractice"];
        put?: never;
        /** Take calls of a table in; those that are there already stay */
        post: operations["importPractice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/people": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Add someone who practises */
        post: operations["addPracticePerson"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/people/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Name someone who practises, or put them away and back */
        put: operations["savePracticePerson"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/sittings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Begin a sitting of ten drills */
        post: operations["beginPractice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/sittings/{id}/calls": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Call a drill of a sitting */
        post: operations["callPractice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/practice/sittings/{id}/end": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** End a sitting; what was called stays */
        post: operations["endPractice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/predict": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** How a build feels and holds */
        post: operations["predict"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/put-away": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Put a kitchen away, out of the list */
        post: operations["putAwayKitchen"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/read-line": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Read one ingredient line, in English or Spanish */
        get: operations["readLine"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/read-recipe": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Find and read a recipe: JSON-LD, the source of a page, Markdown, values, text or a build document */
        post: operations["readRecipe"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/reshape": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The mix as pieces of another kind: their usual size, number and way of cooking */
        post: operations["reshape"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Bring back a kitchen that was put away or is to be erased */
        post: operations["restoreKitchen"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/scale": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A build by pieces, portions, a tin or what there is; without an aim, as it stands, and what to buy for it */
        post: operations["scale"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/schools": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Where good cooks disagree, in numbers */
        post: operations["schools"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/settings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What is known of the kitchen itself */
        get: operations["getSettings"];
        /** Keep what is known of the kitchen itself */
        put: operations["saveSettings"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/sides": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Usual sides, for so many people */
        get: operations["listSides"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/sides/read": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A side in words as steps, or steps in words */
        post: operations["readSide"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/supper/look": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A supper's people, shopping and boxes */
        post: operations["lookAtSupper"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/suppers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Suppers, the last table first */
        get: operations["listSuppers"];
        put?: never;
        /** Keep a new supper */
        post: operations["createSupper"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/suppers/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A supper */
        get: operations["getSupper"];
        /** Keep a changed supper */
        put: operations["saveSupper"];
        post?: never;
        /** Put a supper away */
        delete: operations["deleteSupper"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/suppers/{id}/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The plan of a supper as events, values or a document */
        get: operations["exportSupper"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/suppers/{id}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Bring a deleted supper back */
        post: operations["restoreSupper"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/take": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take a build, a supper or a food of another kitchen into this one */
        post: operations["takeFrom"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Tries, the last first, by words, foods, outcome or build */
        get: operations["listTries"];
        put?: never;
        /** Write a try down; the kitchen learns of it */
        post: operations["writeTry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The logbook as values, a diary or tries that can be read back */
        get: operations["exportTries"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Take in tries of a file */
        post: operations["importTries"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A try: what was said, what was found, and why it broke */
        get: operations["getTry"];
        /** Keep a changed try */
        put: operations["saveTry"];
        post?: never;
        /** Put a try away */
        delete: operations["deleteTry"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/{id}/compare": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Two tries side by side: what differed, and what that did */
        get: operations["compareTries"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/{id}/next": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The one change that gains most, and others */
        get: operations["nextTry"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/tries/{id}/restore": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Bring a deleted try back */
        post: operations["restoreTry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/usage": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the kitchen has of photos, readings and versions, and may have */
        get: operations["getUsage"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        Accepted: {
            account?: string;
            accounts: boolean;
            codes?: string[];
            device?: string;
            /** Format: int64 */
            failed?: number;
            kitchen: string;
            name?: string;
        };
        Addition: {
            food: string;
            /** Format: double */
            grams: number;
            measure?: components["schemas"]["Measure"];
        };
        Alternative: {
            /** Format: double */
            grams?: number;
            /** Format: double */
            rest_minutes?: number;
            with?: string;
        };
        Amount: {
            food: string;
            /** Format: double */
            grams?: number;
        };
        Answer: {
            becomes?: ("tin-loaf" | "filling" | "fritters" | "spread" | "soup")[];
            /** Format: int64 */
            candidates: number;
            nearest?: components["schemas"]["Way"];
            obstacles?: ("too-wet" | "too-dry" | "weak-raw" | "weak-cooked" | "eats-badly" | "no-binders" | "no-base")[];
            suggest: components["schemas"]["Way"][];
            taken?: components["schemas"]["Role"][];
        };
        Ask: {
            any?: boolean;
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            format: "cuerda-ask/1";
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            lean?: components["schemas"]["Lean"];
            may?: string[];
            methods?: ("pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill")[];
            /** Format: double */
            minutes?: number;
            must?: components["schemas"]["Amount"][];
            not?: string[];
            /** Format: int64 */
            portions?: number;
        };
        Baked: {
            /** Format: double */
            around_celsius: number;
            /** Format: double */
            browning: number;
            /** @enum {string} */
            browning_word?: "pale" | "golden" | "brown" | "dark";
            cook_notes: components["schemas"]["CookNote"][];
            /** Format: double */
            cooked_q: number | null;
            curve: components["schemas"]["Point"][];
            /** @enum {string} */
            dryness?: "moist" | "right" | "dry";
            /** Format: double */
            f70: number;
            /** Format: double */
            f70_at_pull: number;
            /** Format: double */
            fat_loss_pct: number;
            /** Format: double */
            freeze_minutes?: number;
            /** Format: double */
            grill_from_minutes?: number;
            guidance: components["schemas"]["Target"];
            /** Format: double */
            juice_loss_pct: number;
            /** Format: double */
            late_minutes: number;
            load: components["schemas"]["Load"];
            /** Format: double */
            minutes_to_target: number | null;
            mix: components["schemas"]["Thermal"];
            /** Format: double */
            peak_celsius: number;
            piece: components["schemas"]["Piece"];
            /** Format: double */
            pull_at_minutes: number | null;
            reached: boolean;
            /** Format: double */
            sear_ends_minutes?: number;
            section?: components["schemas"]["Section"];
            /** Format: double */
            set_chance: number;
            /** Format: double */
            set_kpa: number;
            /** Format: double */
            set_minutes: number;
            /** Format: double */
            set_ratio: number;
            sets: components["schemas"]["BinderSet"][];
            /** Format: double */
            start_celsius: number;
            steps: components["schemas"]["Step"][];
            target: components["schemas"]["Target"];
            /** Format: double */
            turn_at_minutes: number | null;
            turns_minutes: number[];
            /** Format: double */
            wall_peak_celsius?: number;
            /** Format: double */
            water_loss_pct: number;
            /** Format: double */
            weight_loss_pct: number;
            yield: components["schemas"]["Yield"];
        };
        Band: {
            /** Format: double */
            from: number;
            /** Format: double */
            to: number;
        };
        Beforehand: {
            /** Format: double */
            boil_minutes: number;
            food: string;
            /** Format: double */
            grams: number;
            /** Format: double */
            soak_hours: number;
        };
        Below: {
            /** Format: double */
            celsius: number;
            /** Format: double */
            goal_celsius: number;
        };
        BinderSet: {
            /** Format: double */
            celsius: number;
            food: string;
            /** Format: double */
            share: number;
        };
        Bit: {
            colour: string;
            food: string;
            /** @enum {string} */
            form: "lump" | "shred" | "grain" | "leaf" | "flake";
            /** Format: double */
            share: number;
        };
        BranchInputBody: {
            /** @description the name of the new build */
            name: string;
        };
        Broke: {
            /** Format: int64 */
            cutting?: number;
            /** Format: int64 */
            lifting?: number;
            /** Format: int64 */
            shaping?: number;
            /** Format: int64 */
            turning?: number;
        };
        Build: {
            document: components["schemas"]["Document"];
            from?: components["schemas"]["Origin"];
            /** Format: uuid */
            id: string;
            prediction: components["schemas"]["Predicted"];
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        Change: {
            food?: string;
            /** @enum {string} */
            kind: "added" | "removed" | "grams" | "prep" | "part-added" | "part-removed";
            name?: string;
            /** Format: double */
            now_g?: number;
            now_prep?: components["schemas"]["Preparation"][];
            /** @enum {string} */
            of?: "filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth";
            /** Format: int64 */
            part?: number;
            /** Format: double */
            was_g?: number;
            was_prep?: components["schemas"]["Preparation"][];
        };
        ChangeOwnFoodInputBody: {
            allergens?: string[];
            label?: components["schemas"]["PackLabel"];
            /** @description the food of the catalogue that it behaves most nearly as */
            like: string;
            name: string;
        };
        Check: {
            reasons?: components["schemas"]["Reason"][];
            /** @enum {string} */
            status: "clear" | "label" | "out";
        };
        Choice: {
            as_read?: boolean;
            /** Format: double */
            chance: number;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** @enum {string} */
            method?: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            minutes: number;
            /** Format: double */
            mm: number;
            prep?: components["schemas"]["Preparation"][];
        };
        CommonFigures: {
            /** Format: int64 */
            foods: number;
            made?: components["schemas"]["Provenance"];
        };
        ComparedTries: {
            a: components["schemas"]["TryEntry"];
            after: components["schemas"]["Effect"];
            b: components["schemas"]["TryEntry"];
            before: components["schemas"]["Effect"];
            changes: components["schemas"]["Change"][];
            settings: components["schemas"]["Setting"][];
        };
        Comparison: {
            after: components["schemas"]["Effect"];
            before: components["schemas"]["Effect"];
            changes: components["schemas"]["Change"][];
            settings: components["schemas"]["Setting"][];
        };
        Composed: {
            late: boolean;
            /** Format: int64 */
            looked_at: number;
            missing: components["schemas"]["MissingFood"][];
            nearest: boolean;
            proposals: components["schemas"]["Proposal"][];
        };
        Composition: {
            /** Format: double */
            ash: number;
            /** Format: double */
            carb: number;
            /** Format: double */
            fat: number;
            /** Format: double */
            fibre: number;
            /** Format: double */
            protein: number;
            /** Format: double */
            salt: number;
            /** Format: double */
            water: number;
        };
        Cook: {
            /** Format: double */
            celsius?: number;
            /** @enum {string} */
            from?: "room" | "freezer";
            /** Format: double */
            grill_minutes?: number;
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            sear_minutes?: number;
            /** Format: double */
            start_celsius?: number;
            /** Format: double */
            target_celsius?: number;
            turn?: boolean;
        };
        CookNote: {
            code: string;
            /** @enum {string} */
            kind: "stop" | "limit" | "caution";
            /** Format: double */
            limit?: number;
            /** Format: double */
            value?: number;
        };
        Cooling: {
            in_time: boolean;
            /** Format: double */
            to_21_minutes: number | null;
            /** Format: double */
            to_5_minutes: number | null;
        };
        Course: {
            /** Format: int64 */
            cooks: number;
            /** Format: int64 */
            devices: number;
            dishes: components["schemas"]["CourseDish"][];
            /** Format: date-time */
            ended?: string;
            heats: components["schemas"]["CourseOven"][];
            /** Format: uuid */
            id: string;
            /**
             * Format: int64
             * @description below 0 where there is time to spare
             */
            late_minutes: number;
            name: string;
            /** Format: date-time */
            now: string;
            /** Format: date-time */
            ready: string;
            scale?: components["schemas"]["CourseScale"];
            /**
             * Format: int64
             * @description of its last event
             */
            seq: number;
            simulated: boolean;
            /** Format: double */
            speed: number;
            /** Format: date-time */
            start: string;
            /** Format: date-time */
            table: string;
            tasks: components["schemas"]["CourseTask"][];
            timers: components["schemas"]["CourseTimer"][];
            token?: string;
        };
        CourseAbout: {
            /** Format: double */
            grams?: number;
            label: string;
        };
        CourseAdded: {
            /** Format: date-time */
            at: string;
            food: string;
            /** Format: double */
            grams: number;
            /** @description of its event: what takes it back names it */
            id: string;
            label: string;
            /** Format: double */
            minutes: number;
        };
        CourseAnswer: {
            course: components["schemas"]["Course"];
            outcomes: components["schemas"]["CourseOutcome"][];
        };
        CourseBowl: {
            added: components["schemas"]["CourseAdded"][];
            band: components["schemas"]["Band"];
            /**
             * Format: double
             * @description that its pieces hold, 0..1
             */
            chance: number;
            /** @enum {string} */
            expected: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** @enum {string} */
            felt?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            handful?: components["schemas"]["Handful"];
            labels: {
                [key: string]: string;
            };
            mend?: components["schemas"]["Mend"];
            much: boolean;
            off: boolean;
            /** @enum {string} */
            planned: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** Format: double */
            planned_q?: number;
            /**
             * Format: double
             * @description its index as it is
             */
            q?: number;
        };
        CourseCommands: {
            events: components["schemas"]["Event"][];
        };
        CourseDish: {
            bowl?: components["schemas"]["CourseBowl"];
            build?: string;
            found: components["schemas"]["CourseFound"][];
            heat?: components["schemas"]["CourseHeat"];
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            name: string;
            /** Format: int64 */
            pieces?: number;
            steps: components["schemas"]["CourseStep"][];
        };
        CourseEntry: {
            /** Format: int64 */
            dishes: number;
            /** Format: date-time */
            ended?: string;
            /** Format: uuid */
            id: string;
            name: string;
            simulated?: boolean;
            /** Format: date-time */
            start: string;
            /** Format: date-time */
            table: string;
        };
        CourseEvents: {
            events: components["schemas"]["KeptEvent"][];
            /** Format: int64 */
            seq: number;
        };
        CourseFound: {
            /** Format: date-time */
            at: string;
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            /** @description the device that said so */
            by?: string;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            photo?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        CourseHeat: {
            /** Format: date-time */
            begun: string;
            below: boolean;
            /** Format: double */
            core: number;
            /** Format: double */
            core_high: number;
            /** Format: double */
            core_low: number;
            curve: components["schemas"]["CoursePoint"][];
            /** Format: int64 */
            dish: number;
            history: components["schemas"]["CourseReading"][];
            /** Format: double */
            longer_minutes: number;
            notices: components["schemas"]["CourseNotice"][];
            /** Format: date-time */
            off: string;
            /** Format: date-time */
            off_high: string;
            /** Format: date-time */
            off_low: string;
            /** Format: double */
            oven: number;
            /** Format: double */
            oven_high: number;
            /** Format: double */
            oven_low: number;
            /** Format: double */
            oven_set: number;
            /**
             * Format: double
             * @description the highest that the core comes to, resting too
             */
            peak: number;
            reaches: boolean;
            /** @description the last of each kind */
            readings: components["schemas"]["CourseReading"][];
            /** Format: int64 */
            step: number;
            target: components["schemas"]["Target"];
        };
        CourseMade: {
            about: components["schemas"]["CourseAbout"][];
            /** @description of that step */
            code: string;
        };
        CourseMeasured: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            celsius: number;
            /**
             * Format: int64
             * @description from 0; -1 where the instrument did not say
             */
            dish: number;
            /** @enum {string} */
            place: "core" | "oven" | "surface";
            source: string;
        };
        CourseNotice: {
            /** Format: double */
            celsius: number;
            /** @enum {string} */
            code: "slipped" | "touching" | "door-open" | "oven-cool" | "oven-hot" | "silent" | "past-goal";
            /** Format: date-time */
            since: string;
        };
        CourseOutcome: {
            got?: string;
            id: string;
            /** @description why */
            refused?: string;
            /** Format: int64 */
            seq: number;
        };
        CourseOven: {
            /** Format: double */
            celsius: number;
            /** Format: int64 */
            minutes: number;
            /** Format: date-time */
            on?: string;
        };
        CoursePoint: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            core: number;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
        };
        CourseReading: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            celsius: number;
            /** @enum {string} */
            where: "core" | "oven" | "surface";
        };
        CourseScale: {
            /** Format: date-time */
            at: string;
            /**
             * Format: double
             * @description of the amount, g
             */
            in: number;
        };
        CourseStep: {
            about: components["schemas"]["CourseAbout"][];
            /** Format: date-time */
            begin: string;
            /** Format: double */
            celsius?: number;
            code: string;
            /** @description from 1 */
            cooks: number[];
            /** Format: date-time */
            due_begin: string;
            /** Format: date-time */
            due_end: string;
            /** Format: date-time */
            end: string;
            grill?: boolean;
            hob?: boolean;
            /** Format: int64 */
            minutes: number;
            name: string;
            oven?: boolean;
            /** Format: int64 */
            part?: number;
            /** Format: date-time */
            planned: string;
            /** @description somebody has to begin it */
            put: boolean;
            status: string;
            /** @description the clock ends it */
            timed: boolean;
            /** Format: int64 */
            times?: number;
            weigh: components["schemas"]["CourseWeigh"][];
        };
        CourseTask: {
            /** Format: int64 */
            amount: number;
            /** Format: date-time */
            at: string;
            cooks: number[];
            /** Format: int64 */
            dish: number;
            /** @enum {string} */
            do: "weigh" | "begin" | "do" | "off" | "turn" | "batch" | "squeeze" | "timer" | "found" | "heat";
            due: boolean;
            /** Format: double */
            loss: number;
            name: string;
            silenced?: boolean;
            /** Format: int64 */
            step: number;
            timer?: string;
            urgent: boolean;
        };
        CourseTimer: {
            /** Format: date-time */
            begin: string;
            /** Format: date-time */
            end: string;
            id: string;
            /** Format: double */
            minutes: number;
            name: string;
        };
        CourseWeigh: {
            /** @enum {string} */
            apart?: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast" | "as-is";
            food: string;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            /** Format: double */
            in?: number;
            label: string;
            /** Format: int64 */
            line: number;
            made?: components["schemas"]["CourseMade"];
            measure?: components["schemas"]["Measure"];
            /** Format: double */
            within: number;
        };
        Demand: {
            /** Format: double */
            Cooked: number;
            /** Format: double */
            Raw: number;
        };
        Device: {
            id: string;
            name: string;
            /** Format: date-time */
            paired_at: string;
            /** Format: date-time */
            seen_at: string;
        };
        Dish: {
            hundred: components["schemas"]["Share"];
            not_for: components["schemas"]["Refusal"][];
            parts: components["schemas"]["PartResult"][];
            piece: components["schemas"]["Share"];
            /** Format: int64 */
            pieces: number;
            portion?: components["schemas"]["Share"];
            /** Format: int64 */
            portions: number;
            unpriced: string[];
            whole: components["schemas"]["Share"];
        };
        Document: {
            chill?: components["schemas"]["Wait"];
            cook?: components["schemas"]["Cook"];
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            format: "cuerda-build/1";
            hand?: components["schemas"]["Hand"];
            lines: components["schemas"]["Line"][];
            method?: components["schemas"]["Instruction"][];
            mixing?: components["schemas"]["Mixing"];
            name: string;
            note?: string;
            parts?: components["schemas"]["Part"][];
            piece?: components["schemas"]["Piece"];
            /** Format: int64 */
            portions?: number;
            rest?: components["schemas"]["Wait"];
            table_time?: string;
        };
        Draft: {
            /** Format: double */
            chance: number;
            document: components["schemas"]["Document"];
            questions: components["schemas"]["Question"][];
            spots: components["schemas"]["Spot"][][];
        };
        Eaters: {
            avoid?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            /** @enum {string} */
            diet?: "vegan" | "vegetarian" | "no-pork" | "no-red-meat" | "";
            people?: components["schemas"]["Person"][];
            wants?: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
        };
        Effect: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cost_each: number | null;
            /** @enum {string} */
            dryness: "moist" | "right" | "dry";
            in_band: boolean;
            /** Format: double */
            kcal_each: number;
            label: string[];
            /** Format: double */
            mass_g: number;
            /** Format: double */
            minutes: number | null;
            out: string[];
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            salt_each_g: number;
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: double */
            weight_loss_pct: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Entry: {
            /** Format: double */
            chance: number;
            /** Format: uuid */
            id: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** @enum {string} */
            says: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing" | "wet" | "dry" | "likely";
            unreadable?: boolean;
            /** Format: date-time */
            updated_at: string;
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: int64 */
            version: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        EquipmentLimit: {
            at_once: boolean;
            field: string;
            /** Format: double */
            max: number;
            /** Format: double */
            min: number;
            /** Format: double */
            step: number;
            /** @description empty for what is counted */
            unit: string;
        };
        Estimate: {
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: double */
            mean: number;
            /** Format: double */
            sd: number;
        };
        Event: {
            /**
             * Format: date-time
             * @description by the course's clock; now where it says nothing
             */
            at?: string;
            /** Format: double */
            celsius?: number;
            device?: string;
            /** Format: int64 */
            dish?: number;
            food?: string;
            found?: components["schemas"]["Findings"];
            /** Format: double */
            grams?: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            id: string;
            /** @enum {string} */
            kind: "begun" | "done" | "undone" | "weighed" | "unweighed" | "felt" | "added" | "unadded" | "turned" | "batch" | "placed" | "timer" | "timeroff" | "silenced" | "longer" | "found" | "ended" | "heated" | "clock" | "due";
            /** Format: int64 */
            line?: number;
            /** Format: double */
            minutes?: number;
            name?: string;
            /** Format: double */
            speed?: number;
            /** Format: int64 */
            step?: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        Explained: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cohesion_kpa: number;
            /** Format: double */
            continuity: number;
            cooked_reasons: components["schemas"]["Ground"][];
            /** Format: double */
            density_kg_m3: number;
            foods: string[];
            grades: string[];
            /** Format: int64 */
            lever_cooked: number;
            /** Format: int64 */
            lever_q: number;
            /** Format: int64 */
            lever_raw: number;
            lines: components["schemas"]["Given"][];
            /** Format: double */
            liquid_g: number;
            /** Format: double */
            loose: number;
            need: components["schemas"]["Demand"];
            /** Format: double */
            oil_g: number;
            /** Format: double */
            plastic_g: number;
            /** Format: double */
            q: number | null;
            raw_reasons: components["schemas"]["Ground"][];
            /** Format: double */
            salt: number;
            /** Format: double */
            set_kpa: number;
            /** Format: double */
            water_g: number;
        };
        Facts: {
            /** Format: double */
            carb_g: number;
            /** Format: double */
            fat_g: number;
            /** Format: double */
            fibre_g: number;
            /** Format: double */
            kcal: number;
            /** Format: double */
            kj: number;
            /** Format: double */
            protein_g: number;
            /** Format: double */
            salt_g: number;
        };
        Figure: {
            /** @enum {string} */
            grade: "A" | "B" | "C";
            /**
             * Format: double
             * @description the most that may be believed
             */
            high: number;
            id: string;
            /**
             * Format: double
             * @description the least that may be believed
             */
            low: number;
            source: string;
            unit: string;
            /** Format: double */
            usual: number;
            /**
             * Format: double
             * @description what this kitchen uses
             */
            value: number;
        };
        Figures: {
            /** Format: double */
            cooked_chance: number;
            /** Format: double */
            q: number;
            /** Format: double */
            raw_chance: number;
        };
        Findings: {
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            photo?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        Fit: {
            piece: components["schemas"]["Piece"];
            yield: components["schemas"]["Yield"];
        };
        Food: {
            allergens?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            binder: boolean;
            composition: components["schemas"]["Composition"];
            cook_first?: boolean;
            from_dry?: components["schemas"]["FromDry"][];
            /** Format: double */
            g_per_cup?: number;
            /** Format: double */
            g_per_piece?: number;
            gluten: string;
            gone?: boolean;
            /** @enum {string} */
            group: "meat" | "fish" | "legume" | "grain" | "vegetable" | "fruit" | "nut" | "seed" | "gel" | "grain-binder" | "legume-binder" | "nut-binder" | "starch" | "egg" | "dairy" | "wet" | "fat" | "flavour";
            id: string;
            label: boolean;
            many_alike?: boolean;
            /** Format: double */
            max_pct?: number;
            name: string;
            name_es: string;
            own?: string;
            packs?: components["schemas"]["Pack"][];
            piece?: string;
            state: string;
            suits: ("oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast")[];
            /** Format: double */
            usual_grams: number;
            words?: string[];
        };
        Found: {
            /** Format: double */
            after_g?: number;
            /** Format: double */
            before_g?: number;
            below?: components["schemas"]["Below"];
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            broke?: components["schemas"]["Broke"];
            /** @enum {string} */
            browning?: "pale" | "golden" | "brown" | "dark";
            /** Format: double */
            core_celsius?: number;
            /** Format: double */
            fridge_celsius?: number;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            likings?: components["schemas"]["Liking"][];
            note?: string;
            /** Format: double */
            off_at_minutes?: number;
            others?: components["schemas"]["Voice"][];
            /** Format: double */
            oven_celsius?: number;
            photo?: string;
            photos?: string[];
            /** Format: int64 */
            pieces?: number;
            /** Format: double */
            room_celsius?: number;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
            /** @enum {string} */
            squeeze_fresh?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
            /** Format: int64 */
            texture?: number;
            /** Format: double */
            turned_at_minutes?: number;
            /** @enum {string} */
            unsure?: "simulated" | "hurried" | "left-alone";
        };
        Frame: {
            celsius: number[];
            /** Format: double */
            minutes: number;
        };
        FriedPatties: {
            fried: components["schemas"]["FriedPatty"][];
            question: components["schemas"]["OpenQuestion"];
        };
        FriedPatty: {
            /** @enum {string} */
            grade?: "fell-apart" | "cracked" | "held" | "firm";
            /** Format: int64 */
            option: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        FromDry: {
            /** Format: double */
            factor: number;
            food: string;
        };
        GasMark: {
            /** Format: double */
            celsius: number;
            mark: string;
        };
        Given: {
            /** Format: double */
            cooked_pct: number;
            /** Format: double */
            liquid_g: number;
            /** Format: double */
            oil_g: number;
            /** Format: double */
            pieces_g: number;
            /** Format: double */
            plastic_g: number;
            /** Format: double */
            raw_pct: number;
            tenth: components["schemas"]["Figures"];
            /** Format: double */
            water_g: number;
        };
        GivingInputBody: {
            /** @description whether this kitchen's tries go into the next table of common figures */
            gives: boolean;
        };
        Ground: {
            /** Format: double */
            points: number;
            /** @enum {string} */
            topic: "shape" | "glue" | "sets" | "wet" | "dry" | "chill" | "egg" | "meat" | "starch" | "gel" | "fat" | "leaf" | "heat" | "size" | "kin" | "own";
        };
        Hand: {
            /** Format: double */
            water_g: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        Handful: {
            bits: components["schemas"]["Bit"][];
            /** Format: double */
            index: number;
            paste: string;
            show: {
                [key: string]: number;
            };
            tells: ("crumbs" | "cracks" | "edge" | "clean" | "film" | "strings" | "sheen" | "slump")[];
        };
        Health: {
            /** @enum {string} */
            status: "ok";
            version: string;
        };
        Held: {
            /** Format: int64 */
            tries: number;
            /** Format: double */
            with: number;
            /** Format: double */
            without: number;
        };
        Imported: {
            /** Format: int64 */
            tries: number;
        };
        InOven: {
            /** Format: double */
            celsius: number;
            grill?: boolean;
            /** Format: int64 */
            racks?: number;
        };
        Ingredient: {
            /** Format: double */
            amount: number;
            food: string;
            /** Format: double */
            food_sure: number;
            /** Format: double */
            grams: number;
            /** Format: double */
            grams_sure: number;
            /** Format: double */
            high?: number;
            name?: string;
            others?: string[];
            prep?: components["schemas"]["Preparation"][];
            said: boolean;
            unit: string;
        };
        Instruction: {
            steps?: string[];
            text: string;
        };
        InstrumentToken: {
            token: string;
        };
        Instruments: {
            on: boolean;
            /**
             * Format: double
             * @description of the course's clock; as it is where it says nothing
             */
            speed?: number;
        };
        Invitation: {
            by: string;
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** Format: date-time */
            made_at: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        InvitationLook: {
            by: string;
            /** Format: date-time */
            expires_at: string;
            kitchen: string;
            name?: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        InviteInputBody: {
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        Invited: {
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
            token: string;
        };
        Item: {
            code: string;
            got?: string;
            /** Format: double */
            max?: number;
            message: string;
            /** Format: double */
            min?: number;
            nearest?: string;
            pointer: string;
        };
        JournalEntry: {
            about: string;
            address: string;
            /** Format: date-time */
            at: string;
            /** Format: int64 */
            seq: number;
            what: string;
            who: string;
        };
        Keep: {
            /** Format: double */
            cooked_fridge_days: number;
            /** Format: double */
            freezer_months: number;
            /** Format: double */
            raw_fridge_days: number;
        };
        KeptEvent: {
            /**
             * Format: date-time
             * @description by the course's clock; now where it says nothing
             */
            at?: string;
            by?: string;
            /** Format: double */
            celsius?: number;
            device?: string;
            /** Format: int64 */
            dish?: number;
            food?: string;
            found?: components["schemas"]["Findings"];
            /** Format: double */
            grams?: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            id: string;
            /** @enum {string} */
            kind: "begun" | "done" | "undone" | "weighed" | "unweighed" | "felt" | "added" | "unadded" | "turned" | "batch" | "placed" | "timer" | "timeroff" | "silenced" | "longer" | "found" | "ended" | "heated" | "clock" | "due";
            /** Format: int64 */
            line?: number;
            /** Format: double */
            minutes?: number;
            name?: string;
            /** Format: int64 */
            seq: number;
            /** Format: double */
            speed?: number;
            /** Format: int64 */
            step?: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        KeptPhoto: {
            /** Format: int64 */
            height: number;
            /** Format: uuid */
            id: string;
            /** Format: int64 */
            width: number;
        };
        KeptSupper: {
            document: components["schemas"]["Supper"];
            /** Format: uuid */
            id: string;
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        KeptTry: {
            band: components["schemas"]["Band"];
            bite?: string;
            build?: string;
            by?: string;
            causes: components["schemas"]["TryCause"][];
            changes: components["schemas"]["Change"][];
            cooked?: components["schemas"]["StageFound"];
            /** Format: date-time */
            cooked_at: string;
            course?: string;
            document: components["schemas"]["Document"];
            found: components["schemas"]["Found"];
            grades?: string[];
            /** Format: int64 */
            held: number;
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            kind: "try" | "patties";
            left_out?: boolean;
            name: string;
            note?: string;
            now: components["schemas"]["Said"];
            /** Format: int64 */
            of: number;
            /** @enum {string} */
            outcome: "held" | "some-broke" | "fell-apart" | "unsaid";
            patties?: components["schemas"]["FriedPatties"];
            photo?: string;
            planned: boolean;
            raw?: components["schemas"]["StageFound"];
            /** Format: int64 */
            revision: number;
            said?: components["schemas"]["Said"];
            /** Format: double */
            said_chance?: number;
            settings: components["schemas"]["Setting"][];
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            unreadable?: boolean;
            /** Format: int64 */
            version?: number;
        };
        Kind: {
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            sizes: components["schemas"]["KindSize"][];
            tin: boolean;
        };
        KindSize: {
            /** Format: double */
            default: number;
            field: string;
            needed: boolean;
        };
        KitchenEntry: {
            /** Format: int64 */
            builds?: number;
            /** Format: date-time */
            created_at: string;
            /** Format: date-time */
            erase_at?: string;
            gives: boolean;
            id: string;
            /** @description it is the demonstration's: all in it is invented */
            made_up: boolean;
            name: string;
            /** Format: date-time */
            put_away_at?: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest" | "stove";
            /** Format: int64 */
            suppers?: number;
            /** Format: int64 */
            tries?: number;
        };
        KitchenFirst: {
            /** Format: int64 */
            burners?: number;
            /** @description there is no scale: amounts are given in cups and spoons */
            cups?: boolean;
            currency?: string;
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            guidance?: "us" | "uk";
            /** @description foods of the catalogue that are at hand */
            have?: string[];
            name: string;
            /** @enum {string} */
            oven?: "fan-oven" | "still-oven" | "none";
            /** Format: double */
            pan_diameter_mm?: number;
            /** Format: int64 */
            pans?: number;
            probe?: boolean;
            units?: components["schemas"]["Units"];
        };
        KitchenLearned: {
            alone: components["schemas"]["LogbookTrust"];
            figures: components["schemas"]["LearnedFigure"][];
            forgotten: {
                [key: string]: string;
            };
            /** Format: int64 */
            mixes: number;
            off: boolean;
            own_mixes: boolean;
            /** Format: int64 */
            tries: number;
            trust: components["schemas"]["LogbookTrust"];
        };
        KitchenNameInputBody: {
            name: string;
        };
        KitchenUsage: {
            may: components["schemas"]["Quotas"];
            used: components["schemas"]["Usage"];
        };
        Lean: {
            /** Format: double */
            eat?: number;
            /** Format: double */
            firm?: number;
        };
        LearnedChoice: {
            figure?: string;
            forget?: boolean;
            off?: boolean;
            used?: boolean;
        };
        LearnedFigure: {
            food?: string;
            name: string;
            posterior: components["schemas"]["Estimate"];
            prior: components["schemas"]["Estimate"];
            tries: string[];
            /** @enum {string} */
            unit: "K" | "x" | "m" | "points";
            used: boolean;
        };
        Liking: {
            eater: string;
            /** Format: int64 */
            liking: number;
        };
        Limits: {
            /** Format: double */
            grams: number;
            /** Format: double */
            least_grams: number;
            /** Format: int64 */
            line_name: number;
            /** Format: int64 */
            lines: number;
            /** Format: double */
            max_celsius: number;
            /** Format: double */
            max_chill_celsius: number;
            /** Format: double */
            max_mm: number;
            /** Format: double */
            max_rest_celsius: number;
            /** Format: double */
            min_celsius: number;
            /** Format: double */
            min_chill_celsius: number;
            /** Format: double */
            min_mm: number;
            /** Format: double */
            min_rest_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            name: number;
            /** Format: int64 */
            note: number;
            /** Format: int64 */
            part_lines: number;
            /** Format: int64 */
            parts: number;
            /** Format: int64 */
            portions: number;
            /** Format: int64 */
            preps: number;
        };
        Line: {
            food: string;
            /** Format: double */
            grams: number;
            name?: string;
            prep?: components["schemas"]["Preparation"][];
        };
        LineResult: {
            check?: components["schemas"]["Check"];
            instead?: string[];
            measure?: components["schemas"]["Measure"];
            /** Format: double */
            prepared_g: number;
            /** Format: double */
            share_pct: number;
        };
        Link: {
            build: string;
            build_name: string;
            by: string;
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** Format: date-time */
            made_at: string;
        };
        LinkMade: {
            /** Format: date-time */
            expires_at: string;
            id: string;
            token: string;
        };
        Linked: {
            document: components["schemas"]["Document"];
            foods: components["schemas"]["Food"][];
            name: string;
            prediction: components["schemas"]["Predicted"];
        };
        Load: {
            /** Format: double */
            across_mm: number;
            /** Format: double */
            along_mm: number;
            /** Format: int64 */
            at_once: number;
            /** Format: int64 */
            batches: number;
            /** Format: int64 */
            holds: number;
            /** Format: double */
            length_mm: number;
            /** Format: int64 */
            loads: number;
            /** @enum {string} */
            on: "tray" | "pan" | "pot" | "tin";
            places: components["schemas"]["Place"][];
            /** Format: int64 */
            vessels: number;
            /** Format: double */
            width_mm: number;
        };
        LogbookTrust: {
            bins: components["schemas"]["TrustBin"][];
            /** Format: double */
            brier: number;
            /** Format: int64 */
            least: number;
            too_few: boolean;
            /** Format: int64 */
            tries: number;
        };
        MakeLinkRequest: {
            build: string;
            /** Format: int64 */
            days?: number;
        };
        Me: {
            account?: string;
            accounts: boolean;
            device?: string;
            /** Format: int64 */
            failed?: number;
            kitchen?: string;
            name?: string;
        };
        Measure: {
            /** Format: double */
            amount: number;
            /** @enum {string} */
            unit: "g" | "oz" | "cup" | "tbsp" | "tsp" | "piece";
        };
        Member: {
            account: string;
            /** Format: date-time */
            joined_at: string;
            name: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        MemberInputBody: {
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        Mend: {
            additions: components["schemas"]["Spoons"][];
            band: components["schemas"]["Band"];
            chill: boolean;
            /** @enum {string} */
            felt: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** @enum {string} */
            predicted: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** Format: double */
            q: number;
            reshape?: string[];
            /** Format: double */
            rest_minutes?: number;
            /** @enum {string} */
            verdict: "fine" | "too-wet" | "too-dry";
            /** Format: double */
            water_g: number;
        };
        Method: {
            /** Format: double */
            celsius: number;
            grills: boolean;
            /** @enum {string} */
            medium: "air" | "metal" | "fat" | "water" | "glow";
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            names: {
                [key: string]: string;
            };
            /** Format: double */
            oil_mm?: number;
            oven: boolean;
            sears: boolean;
            turns: boolean;
        };
        MissingFood: {
            food: string;
            /** Format: double */
            grams: number;
            /** Format: int64 */
            mixes: number;
        };
        Mixing: {
            /** Format: double */
            minutes: number;
        };
        Move: {
            /** @enum {string} */
            code: "squeeze" | "fry-off" | "oven-dry" | "cook-down" | "cook-first" | "leave-raw" | "less-liquid" | "less-fat" | "less-binder" | "mash-part" | "mash-more" | "pulse-less" | "smaller" | "tin" | "other-heat" | "salt-meat" | "rest" | "chill" | "more-liquid" | "binder" | "panade";
            food?: string;
            /** Format: double */
            gain: number;
            liquid?: string;
            /** Format: double */
            liquid_g?: number;
            method?: string;
            /** Format: double */
            minutes?: number;
            /** Format: double */
            now: number;
            /** Format: double */
            was: number;
            /** Format: double */
            water_g: number;
            with?: string;
            /** Format: double */
            with_g?: number;
        };
        NameVersionInputBody: {
            /** @description what to call the version; empty takes the label away */
            label: string;
        };
        NewAccountSent: {
            account?: string;
            passphrase?: string;
        };
        NewCourse: {
            /** Format: uuid */
            build?: string;
            /** Format: uuid */
            supper?: string;
            /** Format: date-time */
            table?: string;
        };
        NextTry: {
            /** Format: double */
            chance: number;
            ways: components["schemas"]["Way"][];
        };
        Note: {
            code: string;
            food?: string;
            /** @enum {string} */
            kind: "caution" | "limit" | "reason";
            /** Format: double */
            limit?: number;
            /** Format: double */
            value?: number;
        };
        OnHeat: {
            /** Format: date-time */
            begun: string;
            build: components["schemas"]["Document"];
            /**
             * Format: int64
             * @description from 1
             */
            dish: number;
            /** Format: date-time */
            done?: string;
            turned?: string[];
        };
        OneSession: {
            agent: string;
            /** Format: date-time */
            began_at: string;
            here: boolean;
            id: string;
            /** Format: date-time */
            seen_at: string;
        };
        OpenQuestion: {
            amounts?: number[];
            choices?: components["schemas"]["Alternative"][];
            food?: string;
        };
        Origin: {
            /** Format: uuid */
            id: string;
            name: string;
            /** Format: int64 */
            version: number;
        };
        Outlook: {
            /** Format: double */
            chill_to_firm_minutes: number | null;
            cooling: components["schemas"]["Cooling"];
            /** Format: double */
            freeze_minutes: number | null;
            /** Format: double */
            from_frozen_minutes: number | null;
            frozen_turns: number[];
            keep: components["schemas"]["Keep"];
            /** Format: double */
            thaw_minutes: number | null;
            what_if: components["schemas"]["WhatIf"][];
        };
        OwnFoodInputBody: {
            allergens?: string[];
            label?: components["schemas"]["PackLabel"];
            /** @description the food of the catalogue that it behaves most nearly as */
            like: string;
            name: string;
        };
        Pack: {
            /** Format: double */
            drained_g: number;
            name: string;
            /** Format: double */
            total_g: number;
        };
        PackLabel: {
            /** Format: double */
            carb: number;
            /** Format: double */
            fat: number;
            /** Format: double */
            fibre: number;
            /** Format: double */
            g_per_cup?: number;
            /** Format: double */
            protein: number;
            /** Format: double */
            salt: number;
        };
        Page: {
            for_whom: string[];
            pieces: string;
            safety: string;
            steps: components["schemas"]["PageStep"][];
            yield: string;
        };
        PageStep: {
            clock: string;
            /** Format: int64 */
            day: number;
            text: string;
        };
        PairInputBody: {
            code: string;
            name?: string;
        };
        Pairing: {
            code: string;
            /** Format: date-time */
            expires_at: string;
        };
        PantryItem: {
            food: string;
            have: boolean;
            label_read?: string[];
            pack?: components["schemas"]["PackLabel"];
            /** Format: double */
            per_kilo?: number;
        };
        Part: {
            /** Format: double */
            cook_minutes?: number;
            id?: string;
            /** @enum {string} */
            kind: "filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth";
            lines: components["schemas"]["Line"][];
            name?: string;
            on?: string;
            rest?: components["schemas"]["Wait"];
            /** @enum {string} */
            when?: "start" | "half-way" | "end";
        };
        PartResult: {
            /** @enum {string} */
            each: "piece" | "portion";
            /** Format: double */
            each_g: number;
            lines: components["schemas"]["LineResult"][];
            /** Format: double */
            mass_g: number;
            /** Format: double */
            need_g: number;
            notes: components["schemas"]["Note"][];
            /** Format: double */
            q: number | null;
            /** @enum {string} */
            status: "clear" | "label" | "out";
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Passkey: {
            /** Format: date-time */
            created_at: string;
            /** @description base64url */
            id: string;
            name: string;
            /** Format: date-time */
            used_at?: string;
        };
        PasskeyAnswer: {
            credential: unknown;
            id: string;
            name?: string;
        };
        PasskeyAsked: {
            id: string;
            options: unknown;
        };
        PassphraseInputBody: {
            passphrase: string;
        };
        PattiesAnswer: {
            /** Format: double */
            amount_g: number;
            /** Format: double */
            amount_sd_g: number;
            /** Format: double */
            base_g: number;
            /** Format: int64 */
            best: number;
            document?: components["schemas"]["Document"];
            /** Format: double */
            gain_bit: number;
            next: number[];
            /** Format: double */
            none: number;
            options: components["schemas"]["PattyOption"][];
            ordered: boolean;
            settled: boolean;
            sure: boolean;
        };
        PattiesAsked: {
            document: unknown;
            fried?: components["schemas"]["FriedPatty"][];
            /** Format: int64 */
            next?: number;
            question: components["schemas"]["OpenQuestion"];
        };
        PattyOption: {
            /** Format: double */
            add_g: number;
            /** Format: double */
            amount_g: number;
            /** Format: double */
            answer: number;
            /** Format: double */
            base_g: number;
            /** Format: double */
            chance: number;
            food?: string;
            /** Format: double */
            holds: number;
            /** Format: double */
            rest_minutes?: number;
        };
        Person: {
            avoid?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            /** Format: int64 */
            count: number;
            /** @enum {string} */
            diet?: "vegan" | "vegetarian" | "no-pork" | "no-red-meat" | "";
            name?: string;
            wants?: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
        };
        PersonSaid: {
            gone?: boolean;
            name: string;
        };
        Phrase: {
            /** Format: int64 */
            at: number;
            /** Format: int64 */
            end: number;
            /** Format: int64 */
            line: number;
            /** @enum {string} */
            what: "amount" | "food" | "prep" | "part" | "rest" | "chill" | "piece" | "count" | "size" | "method" | "celsius" | "minutes";
        };
        Piece: {
            /** Format: int64 */
            count?: number;
            /** Format: double */
            diameter_mm?: number;
            /** Format: double */
            height_mm?: number;
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** Format: double */
            length_mm?: number;
            /** Format: double */
            middle_mm?: number;
            /** Format: double */
            slice_mm?: number;
            /** Format: double */
            thickness_mm?: number;
            tin?: boolean;
            /** Format: double */
            tin_height_mm?: number;
            /** Format: double */
            wall_mm?: number;
            /** Format: double */
            width_mm?: number;
        };
        Place: {
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        Plan: {
            ahead: components["schemas"]["PlanAhead"][];
            /** @enum {string} */
            aim: "latest-start" | "one-cook" | "quiet-end" | "day-before" | "least-oven";
            /** Format: date-time */
            begin: string;
            /** Format: date-time */
            bound: string;
            /** Format: date-time */
            day_begin: string;
            heats: components["schemas"]["PlanHeat"][];
            /** Format: int64 */
            late_hands_bound_minutes?: number;
            /** Format: int64 */
            late_hands_minutes?: number;
            /** Format: int64 */
            oven_bound_minutes?: number;
            /** Format: int64 */
            oven_minutes: number;
            /** Format: int64 */
            oven_on_minutes: number;
            /** @description whether no plan begins later and leaves less work late or, by the aim least-oven, has its ovens on for a shorter time */
            proved: boolean;
            shared: components["schemas"]["PlanShared"][];
            slowed: components["schemas"]["PlanSlowed"][];
            /** Format: date-time */
            start: string;
            steps: components["schemas"]["PlanStep"][];
            unheld: components["schemas"]["PlanUnheld"][];
            /** Format: int64 */
            waiting_minutes: number;
            washes: components["schemas"]["PlanWash"][];
        };
        PlanAhead: {
            /** Format: double */
            days: number;
            dish: string;
            /** Format: int64 */
            hands_minutes: number;
            keeps: boolean;
            /** @description raw meat, fish or egg is in it */
            raw: boolean;
            /** @enum {string} */
            state: "soaking" | "prepared" | "mixed" | "shaped" | "cooked" | "side";
            /** @description the last one before the day */
            step: string;
            /** Format: int64 */
            wait_minutes: number;
        };
        PlanHeat: {
            /** Format: double */
            celsius: number;
            /** Format: int64 */
            minutes: number;
            oven: string;
            /** Format: date-time */
            start: string;
        };
        PlanOven: {
            /** Format: double */
            celsius: number;
            grill?: boolean;
            id: string;
            racks: number[];
        };
        PlanShared: {
            /** Format: double */
            browning: number;
            /** Format: double */
            browning_was: number;
            /** Format: double */
            celsius: number;
            /** Format: double */
            celsius_was: number;
            dish: string;
            /** Format: double */
            minutes: number;
            /** Format: double */
            minutes_was: number;
            /** Format: double */
            weight_loss_pct: number;
            /** Format: double */
            weight_loss_was_pct: number;
        };
        PlanSlowed: {
            dish: string;
            /**
             * Format: int64
             * @description longer than alone
             */
            minutes: number;
            step: string;
        };
        PlanStep: {
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            cooks: number[];
            dish: string;
            /** Format: int64 */
            dish_index: number;
            /** Format: int64 */
            minutes: number;
            oven?: components["schemas"]["PlanOven"];
            /** Format: int64 */
            pans?: number;
            pinned?: boolean;
            /** Format: int64 */
            shelves?: number;
            /** Format: date-time */
            start: string;
            step: string;
            /** Format: int64 */
            step_index: number;
        };
        PlanUnheld: {
            /** @enum {string} */
            code: "past-table" | "at-odds" | "no-step";
            dish: string;
            /** Format: date-time */
            start?: string;
            step: string;
        };
        PlanWash: {
            /** Format: date-time */
            at: string;
            /** @description the one with it, which went first */
            before: string;
            /** @description the one without it */
            dish: string;
            /** @enum {string} */
            through: "pan" | "bowl";
            what: string;
        };
        Point: {
            /** Format: double */
            core_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: double */
            surface_celsius: number;
        };
        PracticeBias: {
            /** Format: double */
            off_words: number;
            /** Format: double */
            sd: number;
            told: boolean;
        };
        PracticeCallSent: {
            /** Format: int64 */
            choice?: number;
            /** Format: double */
            grams?: number;
            id: string;
            /** Format: double */
            index?: number;
            /** Format: double */
            minutes?: number;
            /** Format: int64 */
            number: number;
            /** Format: double */
            sure: number;
        };
        PracticeCalled: {
            /** Format: int64 */
            choice: number;
            /** Format: double */
            grams: number;
            id: string;
            /** Format: double */
            index: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            number: number;
            /** Format: double */
            off_minutes: number;
            /** Format: double */
            off_words: number;
            right: boolean;
            /** Format: double */
            score: number;
            /** Format: double */
            sure: number;
        };
        PracticeDrill: {
            /** Format: int64 */
            answer: number;
            asked?: components["schemas"]["Handful"];
            band: components["schemas"]["Band"];
            bare: boolean;
            document: components["schemas"]["Document"];
            found?: components["schemas"]["Found"];
            heat?: components["schemas"]["PracticeHeat"];
            /** Format: double */
            index: number;
            /** @enum {string} */
            kind: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            lesson: components["schemas"]["PracticeLesson"];
            /** Format: int64 */
            level: number;
            measures: components["schemas"]["Measure"][];
            off?: components["schemas"]["PracticeOff"];
            options: components["schemas"]["PracticeOption"][];
            other?: components["schemas"]["Document"];
            other_measures: components["schemas"]["Measure"][];
            other_shown?: components["schemas"]["Handful"];
            /** Format: double */
            piece_g: number;
            planned?: components["schemas"]["Document"];
            /** Format: double */
            right_from: number;
            /** Format: double */
            right_to: number;
            /** Format: double */
            sd: number;
            shown?: components["schemas"]["Handful"];
            /** @enum {string} */
            skill: "raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain";
            /** Format: date-time */
            tried_at?: string;
            try?: string;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        PracticeEye: {
            /** Format: int64 */
            calls: number;
            dry: components["schemas"]["PracticeBias"];
            kinds: components["schemas"]["PracticeTally"][];
            mislead: ("raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain")[];
            /** Format: int64 */
            right: number;
            /** Format: date-time */
            since?: string;
            skills: components["schemas"]["PracticeSkill"][];
            sureness: components["schemas"]["PracticeSure"][];
            trail: components["schemas"]["PracticeSat"][];
            wet: components["schemas"]["PracticeBias"];
        };
        PracticeHeat: {
            after: components["schemas"]["Point"][];
            /** Format: double */
            around_celsius: number;
            curve: components["schemas"]["Point"][];
            /** Format: double */
            last_minutes: number;
            /** Format: double */
            minutes: number;
            section: components["schemas"]["Section"];
            /** Format: double */
            seen_minutes: number;
            /** Format: double */
            target_celsius: number;
            /** Format: double */
            within: number;
        };
        PracticeImported: {
            /** Format: int64 */
            calls: number;
        };
        PracticeLesson: {
            /** Format: double */
            chance: number;
            grounds: components["schemas"]["Ground"][];
            otherwise?: components["schemas"]["PracticeOtherwise"];
            /** @enum {string} */
            stage: "raw" | "cooked";
            water: components["schemas"]["PracticeWater"][];
        };
        PracticeMarked: {
            call: components["schemas"]["PracticeCalled"];
            elsewhere: boolean;
            enough: boolean;
            eye: components["schemas"]["PracticeEye"];
        };
        PracticeOff: {
            /** Format: double */
            core_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: double */
            needs_minutes: number;
            /** Format: double */
            target_celsius: number;
        };
        PracticeOption: {
            /** Format: double */
            best_g: number;
            best_measure?: components["schemas"]["Measure"];
            cause?: string;
            /** Format: double */
            chance: number;
            change?: components["schemas"]["Change"];
            /** @enum {string} */
            code: "food" | "cause" | "mix" | "waits" | "goes-in-raw" | "stays-whole" | "too-much" | "too-little" | "no-binder" | "off-early";
            food?: string;
            /** Format: double */
            grams: number;
            indices: number[];
            /** Format: double */
            minutes: number;
            refused: boolean;
            right: boolean[];
            setting?: components["schemas"]["Setting"];
        };
        PracticeOtherwise: {
            /** Format: double */
            index: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        PracticePage: {
            eye: components["schemas"]["PracticeEye"];
            people: components["schemas"]["PracticePerson"][];
            person: string;
            sitting?: components["schemas"]["PracticeSitting"];
        };
        PracticePerson: {
            gone?: boolean;
            /** Format: uuid */
            id: string;
            name: string;
        };
        PracticeSat: {
            /** Format: date-time */
            at: string;
            /** Format: int64 */
            calls: number;
            /** Format: double */
            off_words: number;
        };
        PracticeSitting: {
            /** Format: date-time */
            began_at: string;
            calls: components["schemas"]["PracticeCalled"][];
            drills: components["schemas"]["PracticeDrill"][];
            /** Format: uuid */
            id: string;
            over: boolean;
            /** Format: uuid */
            person: string;
        };
        PracticeSkill: {
            /** Format: int64 */
            calls: number;
            /** Format: double */
            recall: number;
            /** Format: int64 */
            right: number;
            /** @enum {string} */
            skill: "raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain";
            /** Format: double */
            weak: number;
        };
        PracticeSure: {
            /** Format: int64 */
            calls: number;
            /** Format: double */
            right: number;
            /** Format: double */
            said: number;
        };
        PracticeTally: {
            /** Format: int64 */
            calls: number;
            /** @enum {string} */
            kind: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            /** Format: int64 */
            right: number;
        };
        PracticeWater: {
            /** Format: double */
            drinks_g: number;
            food: string;
            /** Format: double */
            gives_g: number;
        };
        PracticeWish: {
            /** @enum {string} */
            kind?: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            person?: string;
            try?: string;
        };
        Predicted: {
            band: components["schemas"]["Band"];
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** @enum {string} */
            chance_means: "turn-and-lift" | "slice" | "tin-and-slice" | "spoon";
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            chill_factor?: number;
            /** Format: double */
            chilled_celsius?: number;
            /** Format: double */
            chunk_share: number;
            /** Format: double */
            cooked_kpa: number;
            /** Format: double */
            cooked_need_kpa: number;
            /** Format: double */
            cooked_ratio: number;
            costs: ("falls-apart" | "porridge" | "gummy" | "floury" | "pasty" | "dense" | "dry" | "soggy" | "greasy" | "tastes-of" | "raw-grain")[];
            /** Format: double */
            eat: number;
            /** Format: double */
            fat_share: number;
            /** Format: double */
            felt_q: number | null;
            handful?: components["schemas"]["Handful"];
            in_band: boolean;
            /** Format: double */
            just_mixed_felt_q: number | null;
            /** Format: double */
            just_mixed_q: number | null;
            lines: components["schemas"]["LineResult"][];
            little_known: boolean;
            /** Format: double */
            mass_g: number;
            not_for: components["schemas"]["Refusal"][];
            notes: components["schemas"]["Note"][];
            /** Format: double */
            piece_g: number;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            q_sd: number;
            /** Format: double */
            raw_chilled_kpa?: number;
            /** Format: double */
            raw_kpa: number;
            /** Format: double */
            raw_need_kpa: number;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            salt_share: number;
            /** @enum {string} */
            says: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing" | "wet" | "dry" | "likely";
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: double */
            water_share: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Prep: {
            /** Format: double */
            default: number;
            /** @enum {string} */
            do: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast";
            /** Format: double */
            max: number;
            /** @enum {string} */
            setting: "minutes" | "level" | "hours" | "";
        };
        Preparation: {
            /** @enum {string} */
            do: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast";
            /** Format: double */
            hours?: number;
            /** Format: double */
            level?: number;
            /** Format: double */
            minutes?: number;
            oil?: boolean;
        };
        Problem: {
            code: string;
            /** Format: int64 */
            current?: number;
            detail?: string;
            errors?: components["schemas"]["Item"][];
            /** Format: int64 */
            status: number;
            title: string;
            type: string;
        };
        Proposal: {
            before: components["schemas"]["Beforehand"][];
            buy: components["schemas"]["Amount"][];
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_low: number;
            document: components["schemas"]["Document"];
            /** Format: double */
            eat: number;
            /** Format: double */
            hands_minutes: number;
            left: components["schemas"]["Amount"][];
            less_sure: boolean;
            /** Format: double */
            minutes: number;
            uses: components["schemas"]["Amount"][];
            why: ("sets-hot" | "drinks" | "gel" | "sticks" | "squeezed" | "dried" | "meat" | "cold")[];
        };
        Provenance: {
            held_out: components["schemas"]["Held"];
            /** Format: int64 */
            households: number;
            month: string;
            program: string;
            /** Format: int64 */
            tries: number;
        };
        Purchase: {
            /** Format: double */
            cost: number | null;
            /** Format: int64 */
            count?: number;
            dry?: string;
            /** Format: double */
            dry_g?: number;
            food: string;
            good_for?: string[];
            /** Format: double */
            grams: number;
            have: boolean;
            /** Format: double */
            left_g?: number;
            /** Format: double */
            liquid_g?: number;
            measure?: components["schemas"]["Measure"];
            name?: string;
            pack?: string;
            /** Format: double */
            pack_g?: number;
        };
        Question: {
            answers: components["schemas"]["Choice"][];
            /** @enum {string} */
            code: "fineness" | "juice" | "gel" | "rest" | "chill" | "kind" | "thickness" | "method" | "amount";
            food?: string;
            /** Format: int64 */
            line: number;
        };
        Quotas: {
            /** Format: int64 */
            at_once: number;
            /** Format: int64 */
            events: number;
            /** Format: int64 */
            photo_bytes: number;
            /** Format: int64 */
            readings: number;
            /** Format: int64 */
            tries: number;
            /** Format: int64 */
            versions: number;
        };
        ReadCook: {
            /** Format: double */
            celsius?: number;
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            minutes?: number;
            turn?: boolean;
        };
        ReadFood: {
            /** Format: double */
            amount: number;
            food: string;
            /** Format: double */
            food_sure: number;
            /** Format: double */
            grams: number;
            /** Format: double */
            grams_sure: number;
            /** Format: double */
            high?: number;
            name?: string;
            others?: string[];
            part?: string;
            prep?: components["schemas"]["Preparation"][];
            said: boolean;
            sure: boolean;
            unit: string;
        };
        ReadLine: {
            faults?: string[];
            full: boolean;
            items: components["schemas"]["ReadFood"][];
            maybe?: boolean;
            notes?: string;
            part: string;
            rest?: string;
            section?: string;
            spans?: components["schemas"]["Phrase"][];
            text: string;
        };
        ReadPiece: {
            /** Format: int64 */
            count?: number;
            /** Format: double */
            diameter_mm?: number;
            /** Format: double */
            height_mm?: number;
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** Format: double */
            length_mm?: number;
            /** Format: double */
            thickness_mm?: number;
            tin?: boolean;
            /** Format: double */
            width_mm?: number;
        };
        ReadRow: {
            /** Format: int64 */
            index: number;
            /** @enum {string} */
            label: "title" | "before" | "list-head" | "section" | "ingredient" | "method-head" | "step" | "aside" | "after";
            text: string;
        };
        ReadSide: {
            foods: components["schemas"]["SupperFood"][];
            odd: string[];
            steps: components["schemas"]["SupperStep"][];
            text: string;
        };
        ReadWait: {
            /** Format: double */
            minutes: number;
        };
        Reading: {
            divided?: boolean;
            faults?: string[];
            items: components["schemas"]["Ingredient"][];
            maybe?: boolean;
            notes?: string;
            rest?: string;
            role?: string;
            spans?: components["schemas"]["Phrase"][];
            text: string;
        };
        ReadingFault: {
            /** @enum {string} */
            code: "unknown-instrument" | "unknown-unit" | "impossible" | "from-the-future" | "before-the-course";
            got?: string;
            /** Format: int64 */
            index: number;
        };
        Reason: {
            code: string;
            what: string;
        };
        Recipe: {
            became: string[][];
            chill?: components["schemas"]["ReadWait"];
            cook?: components["schemas"]["ReadCook"];
            document?: components["schemas"]["Document"];
            draft?: components["schemas"]["Draft"];
            ingredients: string[];
            /** @enum {string} */
            kind: "page" | "microdata" | "json-ld" | "document" | "csv" | "text";
            /** @enum {string} */
            language?: "en" | "es";
            lines: components["schemas"]["ReadLine"][];
            name: string;
            notes: string[];
            piece?: components["schemas"]["ReadPiece"];
            /** Format: int64 */
            portions: number;
            rest?: components["schemas"]["ReadWait"];
            rows?: components["schemas"]["ReadRow"][];
            sections: string[];
            spans: components["schemas"]["StepSpan"][];
            spoken?: components["schemas"]["Told"][];
            steps: string[];
        };
        RecoveryCodes: {
            codes: string[];
        };
        Refusal: {
            /** Format: int64 */
            count?: number;
            foods: components["schemas"]["Refused"][];
            name?: string;
            /** Format: int64 */
            person: number;
            why: string[];
        };
        Refused: {
            food: string;
            instead: string[];
        };
        Role: {
            /** Format: double */
            cold_pct: number;
            /** Format: double */
            drinks_g: number;
            food: string;
            /** Format: double */
            grams: number;
            /** Format: double */
            hot_pct: number;
            /** Format: double */
            water_g: number;
        };
        Said: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cooked_ratio: number;
            dryness: string;
            /** Format: double */
            loss_pct: number;
            /** Format: double */
            off_at_minutes: number | null;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            turn_at_minutes: number | null;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Scaling: {
            /** Format: int64 */
            batches: number;
            /** Format: int64 */
            bowls: number;
            document: components["schemas"]["Document"];
            /** Format: double */
            factor: number;
            /** Format: int64 */
            loads: number;
            /** Format: double */
            mass_g: number;
            /** @enum {string} */
            on: "tray" | "pan" | "pot" | "tin";
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            q_was: number | null;
            shop: components["schemas"]["Purchase"][];
        };
        School: {
            /** @enum {string} */
            question: "wet-mix" | "egg" | "waiting" | "mixing" | "heat";
            ways: components["schemas"]["SchoolWay"][];
        };
        SchoolWay: {
            code: string;
            way: components["schemas"]["Way"];
        };
        Scoop: {
            /** Format: double */
            ml: number;
            name: string;
        };
        Section: {
            frames: components["schemas"]["Frame"][];
            x_mm: number[];
            z_mm: number[];
        };
        Setting: {
            field: string;
            now: string;
            was: string;
        };
        Settings: {
            /** Format: double */
            altitude_m: number;
            /** Format: double */
            bowl_g: number;
            /** Format: int64 */
            bowls: number;
            /** Format: int64 */
            burners: number;
            /** Format: int64 */
            cooks: number;
            cups?: boolean;
            currency: string;
            eaters?: components["schemas"]["Eaters"];
            figures?: {
                [key: string]: number;
            };
            /** Format: double */
            freezer_celsius: number;
            /** Format: double */
            fridge_celsius: number;
            /** @enum {string} */
            guidance: "us" | "uk" | "own";
            /** @enum {string} */
            oven?: "fan-oven" | "still-oven" | "none";
            /** Format: double */
            oven_offset_celsius: number;
            /** Format: int64 */
            ovens: number;
            /** Format: double */
            own_celsius?: number;
            /** Format: double */
            own_minutes?: number;
            /** Format: double */
            pan_diameter_mm: number;
            /** Format: int64 */
            pans: number;
            /** Format: double */
            pot_diameter_mm: number;
            probe?: boolean;
            /** Format: int64 */
            racks: number;
            /** Format: double */
            room_celsius: number;
            /** Format: double */
            tray_length_mm: number;
            /** Format: double */
            tray_width_mm: number;
            units: components["schemas"]["Units"];
        };
        Shaped: {
            cook: components["schemas"]["Cook"];
            piece: components["schemas"]["Piece"];
        };
        Share: {
            /** Format: double */
            cost: number | null;
            facts: components["schemas"]["Facts"];
            /** Format: double */
            grams: number;
        };
        Side: {
            code: string;
            foods: components["schemas"]["SupperFood"][];
            /** Format: double */
            size_mm?: number;
            steps: components["schemas"]["SupperStep"][];
            text: string;
            worked_step?: string;
        };
        SideText: {
            name?: string;
            /** Format: int64 */
            people?: number;
            steps?: components["schemas"]["SupperStep"][];
            text?: string;
        };
        SignIn: {
            account: string;
            passphrase?: string;
            recovery_code?: string;
        };
        Sitting: {
            began: boolean;
            /** Format: date-time */
            began_at: string;
            by?: string;
            changes: components["schemas"]["Change"][];
            /** Format: int64 */
            count: number;
            /** Format: date-time */
            created_at: string;
            /** Format: int64 */
            first: number;
            label: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** Format: int64 */
            number: number;
            settings: components["schemas"]["Setting"][];
        };
        SpoonStep: {
            /** Format: double */
            q: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Spoons: {
            /** Format: int64 */
            enough: number;
            food: string;
            have: boolean;
            /** Format: double */
            minutes: number;
            /** Format: double */
            spoon_g: number;
            steps: components["schemas"]["SpoonStep"][];
            /** Format: int64 */
            stop?: number;
            /** @enum {string} */
            unit: "g" | "oz" | "cup" | "tbsp" | "tsp" | "piece";
        };
        Spot: {
            /** Format: int64 */
            line: number;
            /** Format: int64 */
            part: number;
        };
        StageFound: {
            /** Format: int64 */
            held: number;
            /** Format: int64 */
            of: number;
            /** Format: double */
            ratio: number;
        };
        Step: {
            /** Format: double */
            before_minutes: number;
            beside: boolean;
            clock: string;
            /** @enum {string} */
            code: "soak" | "drain" | "press" | "oven-dry" | "roast" | "toast" | "saute" | "brown" | "cool" | "gel" | "blitz" | "mash" | "mix" | "rest" | "shape" | "chill" | "freeze" | "preheat" | "sear" | "cook" | "grill" | "set" | "table" | "make" | "brush";
            /** Format: int64 */
            day: number;
            hands: boolean;
            lines?: number[];
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            part?: number;
            /** Format: int64 */
            times: number;
        };
        StepSpan: {
            /** Format: int64 */
            at: number;
            /** Format: int64 */
            end: number;
            /** Format: int64 */
            line: number;
            /** Format: int64 */
            step: number;
            /** @enum {string} */
            what: "amount" | "food" | "prep" | "part" | "rest" | "chill" | "piece" | "count" | "size" | "method" | "celsius" | "minutes";
        };
        Supper: {
            /** @enum {string} */
            aim?: "latest-start" | "one-cook" | "quiet-end" | "day-before" | "least-oven";
            bought?: string[];
            dishes: components["schemas"]["SupperDish"][];
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            format: "cuerda-supper/1";
            kitchen?: components["schemas"]["SupperKitchen"];
            name?: string;
            /** Format: date-time */
            now?: string;
            pins?: components["schemas"]["SupperPin"][];
            /** Format: double */
            share_at?: number;
            share_oven?: boolean;
            /**
             * Format: date-time
             * @description when it is on the table, RFC 3339 with its offset
             */
            table: string;
            zone?: string;
        };
        SupperAfter: {
            /** Format: int64 */
            least?: number;
            /** Format: int64 */
            most?: number;
            step: string;
        };
        SupperBox: {
            day: string;
            /** Format: int64 */
            pieces: number;
        };
        SupperBoxLook: {
            /** Format: double */
            celsius: number;
            cools_in_time: boolean;
            day: string;
            /**
             * Format: int64
             * @description after they were cooked
             */
            days: number;
            /** Format: int64 */
            dish: number;
            freeze: boolean;
            /** Format: double */
            freezer_months: number;
            /** Format: double */
            hot_celsius: number;
            last_day: string;
            /** Format: double */
            minutes: number | null;
            /** @enum {string} */
            next: "pasta" | "slices" | "halves" | "hash" | "grains";
            /** Format: int64 */
            pieces: number;
            /** @enum {string} */
            reheat: "oven" | "simmer";
            /** @enum {string} */
            spoils: "microwave" | "oven";
            /** Format: double */
            to_fridge_minutes: number | null;
        };
        SupperContact: {
            free: number[];
            through: ("board" | "pan" | "oil" | "bowl" | "oven")[];
            what: string;
            with: number[];
        };
        SupperDish: {
            /** Format: date-time */
            at?: string;
            boxes?: components["schemas"]["SupperBox"][];
            build?: unknown;
            foods?: components["schemas"]["SupperFood"][];
            from?: components["schemas"]["SupperFrom"];
            name: string;
            /** Format: int64 */
            pieces?: number;
            ready?: components["schemas"]["SupperWindow"];
            side?: string;
            steps?: components["schemas"]["SupperStep"][];
            text?: string;
        };
        SupperDishLook: {
            /** Format: int64 */
            boxed: number;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            known: boolean;
            labels: string[];
            name: string;
            not_for: components["schemas"]["Refusal"][];
            /** Format: int64 */
            pieces: number;
        };
        SupperEntry: {
            /** Format: int64 */
            dishes: number;
            /** Format: uuid */
            id: string;
            name: string;
            /** Format: date-time */
            table: string;
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        SupperFood: {
            food: string;
            /** Format: double */
            grams: number;
        };
        SupperFrom: {
            build: string;
            /** Format: int64 */
            version: number;
        };
        SupperKitchen: {
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            /** Format: int64 */
            cooks?: number;
            ovens?: components["schemas"]["SupperOven"][];
            /** Format: int64 */
            pans?: number;
            /** Format: int64 */
            shelves?: number;
        };
        SupperLook: {
            boxes: components["schemas"]["SupperBoxLook"][];
            contact: components["schemas"]["SupperContact"][];
            dishes: components["schemas"]["SupperDishLook"][];
            people: components["schemas"]["SupperPerson"][];
            shop: components["schemas"]["SupperPurchase"][];
        };
        SupperOven: {
            /** Format: int64 */
            heat_up_minutes?: number;
            id: string;
            /** Format: int64 */
            racks: number;
        };
        SupperPerson: {
            /** Format: int64 */
            count: number;
            dishes: number[];
            /** @description a whole plate */
            full: boolean;
            /** Format: double */
            grams: number;
            /** Format: double */
            kcal: number;
            /** @description with something made of pieces */
            main: boolean;
            name: string;
            /** Format: int64 */
            person: number;
        };
        SupperPin: {
            begun?: boolean;
            dish: string;
            /** Format: int64 */
            minutes?: number;
            /** Format: date-time */
            start?: string;
            step: string;
        };
        SupperPurchase: {
            /** @enum {string} */
            aisle: "produce" | "counter" | "chilled" | "cans" | "dry" | "seasoning";
            /** Format: double */
            cost: number | null;
            /** Format: int64 */
            count?: number;
            dishes: number[];
            dry?: string;
            /** Format: double */
            dry_g?: number;
            food: string;
            good_for?: string[];
            /** Format: double */
            grams: number;
            have: boolean;
            /** Format: double */
            left_g?: number;
            /** Format: double */
            liquid_g?: number;
            measure?: components["schemas"]["Measure"];
            name?: string;
            pack?: string;
            /** Format: double */
            pack_g?: number;
            /** Format: int64 */
            suits: number;
        };
        SupperStep: {
            after?: components["schemas"]["SupperAfter"][];
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            /** Format: int64 */
            hands?: number;
            /** Format: int64 */
            minutes: number;
            name: string;
            oven?: components["schemas"]["InOven"];
            /** Format: int64 */
            pans?: number;
            /** Format: int64 */
            shelves?: number;
        };
        SupperWindow: {
            /** Format: int64 */
            least: number;
            /** Format: int64 */
            most: number;
        };
        TakeFrom: {
            /** @description the other kitchen */
            from: string;
            id: string;
            /** @enum {string} */
            kind: "build" | "supper" | "food";
        };
        TakenFrom: {
            id: string;
        };
        TakenIn: {
            /** Format: int64 */
            added: number;
            /** Format: int64 */
            calls: number;
            /** Format: int64 */
            continued: number;
            /** Format: int64 */
            copied: number;
            /** Format: int64 */
            courses: number;
            /** Format: int64 */
            same: number;
            /** Format: int64 */
            suppers: number;
            /** Format: int64 */
            tries: number;
        };
        TakenReadings: {
            /** Format: int64 */
            aside: number;
            faults: components["schemas"]["ReadingFault"][];
            /**
             * Format: int64
             * @description readings of probes that have been kept
             */
            kept: number;
            /** Format: int64 */
            late: number;
            /** Format: int64 */
            noted: number;
            /** Format: int64 */
            used: number;
            /** Format: int64 */
            without: number;
        };
        Target: {
            /** Format: double */
            celsius: number;
            food?: string;
            guided: boolean;
            /** Format: double */
            guided_celsius?: number;
            /** Format: double */
            guided_minutes?: number;
            /** Format: double */
            minutes: number;
            /** @enum {string} */
            reason: "poultry" | "stuffing" | "ground-meat" | "egg" | "fish" | "cooked-before" | "plants";
        };
        Thermal: {
            /** Format: double */
            conductivity_w_mk: number;
            /** Format: double */
            density_kg_m3: number;
            /** Format: double */
            heat_capacity_kj_kgk: number;
        };
        Tin: {
            /** Format: double */
            height_mm: number;
            /** Format: double */
            length_mm: number;
            /** Format: double */
            width_mm: number;
        };
        ToMeasure: {
            heat: components["schemas"]["OnHeat"][];
            /** Format: date-time */
            now: string;
            over: boolean;
            /** Format: double */
            speed: number;
            weighing?: components["schemas"]["Weighing"];
        };
        Told: {
            /** Format: int64 */
            at: number;
            /** Format: int64 */
            end: number;
            /** Format: int64 */
            step: number;
        };
        TrustBin: {
            /** Format: double */
            happened: number;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            said: number;
            /** Format: int64 */
            tries: number;
        };
        TryCause: {
            /** Format: double */
            chance: number;
            change?: components["schemas"]["Change"];
            /** @enum {string} */
            code: "amount" | "left-out" | "added" | "prepared" | "setting" | "wetter" | "drier" | "rough" | "turned-too-soon" | "oven-cool" | "taken-off-early" | "weak-plan" | "luck";
            /** Format: double */
            now: number;
            setting?: components["schemas"]["Setting"];
            /** Format: double */
            was: number;
        };
        TryDraft: {
            build?: string;
            /** Format: date-time */
            cooked_at?: string;
            document?: components["schemas"]["Document"];
            found: components["schemas"]["Found"];
            left_out?: boolean;
            patties?: components["schemas"]["FriedPatties"];
            /** Format: int64 */
            version?: number;
        };
        TryEntry: {
            bite?: string;
            build?: string;
            by?: string;
            /** Format: date-time */
            cooked_at: string;
            course?: string;
            grades?: string[];
            /** Format: int64 */
            held: number;
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            kind: "try" | "patties";
            left_out?: boolean;
            name: string;
            note?: string;
            /** Format: int64 */
            of: number;
            /** @enum {string} */
            outcome: "held" | "some-broke" | "fell-apart" | "unsaid";
            photo?: string;
            /** Format: double */
            said_chance?: number;
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            unreadable?: boolean;
            /** Format: int64 */
            version?: number;
        };
        TryList: {
            /** Format: int64 */
            all: number;
            /** Format: int64 */
            held: number;
            /** Format: date-time */
            since?: string;
            tries: components["schemas"]["TryEntry"][];
        };
        Units: {
            /** @enum {string} */
            clock?: "24" | "12";
            /** @enum {string} */
            length: "mm" | "inch";
            /** @enum {string} */
            mass: "g" | "oz";
            /** @enum {string} */
            spanish?: "neutral" | "es" | "mx" | "rp" | "an";
            /** @enum {string} */
            temperature: "C" | "F" | "gas";
        };
        Usage: {
            /** Format: int64 */
            events: number;
            /** Format: int64 */
            photo_bytes: number;
            /** Format: int64 */
            readings: number;
            /** Format: int64 */
            tries: number;
            /** Format: int64 */
            versions: number;
        };
        Version: {
            /** Format: date-time */
            created_at: string;
            label: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** Format: int64 */
            number: number;
        };
        Vocabulary: {
            allergens: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            diets: ("vegan" | "vegetarian" | "no-pork" | "no-red-meat")[];
            equipment: components["schemas"]["EquipmentLimit"][];
            gas_marks: components["schemas"]["GasMark"][];
            groups: ("meat" | "fish" | "legume" | "grain" | "vegetable" | "fruit" | "nut" | "seed" | "gel" | "grain-binder" | "legume-binder" | "nut-binder" | "starch" | "egg" | "dairy" | "wet" | "fat" | "flavour")[];
            kinds: components["schemas"]["Kind"][];
            limits: components["schemas"]["Limits"];
            methods: components["schemas"]["Method"][];
            part_kinds: ("filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth")[];
            preps: components["schemas"]["Prep"][];
            scoops: components["schemas"]["Scoop"][];
            tins: components["schemas"]["Tin"][];
            wants: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
            whens: ("start" | "half-way" | "end")[];
            zones: components["schemas"]["Zone"][];
        };
        Voice: {
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            by?: string;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        Wait: {
            /** Format: double */
            celsius?: number;
            /** Format: double */
            minutes: number;
        };
        Way: {
            add: components["schemas"]["Addition"][];
            /** @enum {string} */
            aim: "least-binder" | "no-waiting" | "from-pantry" | "most-tender" | "no-legume-taste" | "lowest-cost" | "fewest-allergens" | "dry-first" | "" | "as-is";
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_low: number;
            /** Format: double */
            chance_raw: number;
            changes: components["schemas"]["Change"][];
            /** Format: double */
            cooked_ratio: number;
            costs: ("falls-apart" | "porridge" | "gummy" | "floury" | "pasty" | "dense" | "dry" | "soggy" | "greasy" | "tastes-of" | "raw-grain")[];
            document: components["schemas"]["Document"];
            drop?: string[];
            /** Format: double */
            eat: number;
            have: boolean;
            /** @enum {string} */
            kind: "gel" | "flour" | "starch" | "root" | "nut-meal" | "several" | "work" | "none";
            /** Format: double */
            limit_pct: number;
            moves: components["schemas"]["Move"][];
            out: string[];
            /** Format: double */
            price?: number;
            /** Format: double */
            q: number;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            rest_minutes: number;
            /** Format: double */
            saves_minutes: number;
            settings: components["schemas"]["Setting"][];
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Weighed: {
            /** Format: double */
            grams: number;
        };
        Weighing: {
            /** Format: double */
            grams: number;
            key: string;
            /** Format: double */
            within: number;
        };
        WhatIf: {
            /** @enum {string} */
            change: "bigger" | "cooler" | "from-room";
            /** Format: double */
            minutes: number | null;
            /** Format: double */
            more_minutes: number;
        };
        Yield: {
            /** Format: double */
            piece_g: number;
            /** Format: int64 */
            pieces: number;
            /** @enum {string} */
            remainder: "none" | "share-out" | "larger" | "one-small" | "nearly-one";
            /** Format: double */
            remainder_g: number;
            /** Format: double */
            share_g?: number;
        };
        Zone: {
            /** Format: double */
            from: number;
            show: {
                [key: string]: number;
            };
            tells: ("crumbs" | "cracks" | "edge" | "clean" | "film" | "strings" | "sheen" | "slump")[];
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    getKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    renameKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KitchenNameInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    eraseKitchen: {
        parameters: {
            query?: {
                /** @description the kitchen's name, typed again */
                name?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    packKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The zip */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/zip": string;
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    unpackKitchen: {
        parameters: {
            query?: {
                /** @description take the settings and the pantry too, in place of those here */
                settings?: boolean;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/zip": string;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TakenIn"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    bake: {
        parameters: {
            query?: {
                /** @description with the piece cut through over time */
                section?: boolean;
                /** @description the time of day, minutes after midnight; -1 if it does not matter */
                now?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Baked"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    bind: {
        parameters: {
            query?: {
                /** @description which lines give way */
                replace?: "none" | "binders" | "classic";
                /** @description only these as binders */
                foods?: string[];
                /** @description only this aim */
                aim?: "least-binder" | "most-tender" | "no-waiting" | "from-pantry" | "no-legume-taste" | "lowest-cost" | "fewest-allergens" | "dry-first";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Answer"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listBuilds: {
        parameters: {
            query?: {
                /** @description part of the name, or of the name of a food in the mix */
                q?: string;
                limit?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Entry"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    createBuild: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getBuild: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    saveBuild: {
        parameters: {
            query?: never;
            header?: {
                /** @description the ETag of the version that the change was made on */
                "If-Match"?: string;
            };
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Failed */
            412: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Required */
            428: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteBuild: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    compare: {
        parameters: {
            query: {
                from: number;
                to: number;
                /** @description the build that to is a version of; by default the same */
                with?: string;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Comparison"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    exportBuild: {
        parameters: {
            query?: {
                format?: "json-ld" | "markdown" | "text" | "csv" | "document";
                language?: "en" | "es";
                /** @description with the names of those at the table and what each leaves out */
                guests?: boolean;
                /** @description 0 for the newest */
                version?: number;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    "Content-Disposition"?: string;
                    "Content-Type"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": unknown;
                    "application/ld+json": unknown;
                    "text/csv": unknown;
                    "text/markdown": unknown;
                    "text/plain": unknown;
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    pageOfBuild: {
        parameters: {
            query?: {
                language?: "en" | "es";
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Page"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    restoreBuild: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listSittings: {
        parameters: {
            query?: {
                /** @description only sittings that end below this version */
                before?: number;
                limit?: number;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Sitting"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listVersions: {
        parameters: {
            query?: {
                /** @description only versions below this one */
                before?: number;
                limit?: number;
                /** @description only those with a label */
                named?: boolean;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Version"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getVersion: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
                number: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    branch: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
                number: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["BranchInputBody"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    nameVersion: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
                number: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NameVersionInputBody"];
            };
        };
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    goBack: {
        parameters: {
            query?: never;
            header?: {
                /** @description the ETag of the version that the change was made on */
                "If-Match"?: string;
            };
            path: {
                /** @description the build */
                id: string;
                number: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Build"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Failed */
            412: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Required */
            428: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getCommonFigures: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CommonFigures"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    compose: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Ask"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Composed"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCourses: {
        parameters: {
            query?: {
                limit?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CourseEntry"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    beginCourse: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["NewCourse"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Course"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getCourse: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Course"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteCourse: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCourseEvents: {
        parameters: {
            query?: {
                after?: number;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CourseEvents"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    actOnCourse: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CourseCommands"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CourseAnswer"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    simulate: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Instruments"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Course"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookPast: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Event"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CourseBowl"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCourseReadings: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CourseMeasured"][];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    restoreCourse: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Course"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    letInstrument: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["InstrumentToken"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listDevices: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Device"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endDevice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookAtDish: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Dish"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    explain: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Explained"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listFigures: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Figure"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    fit: {
        parameters: {
            query?: {
                pieces?: number;
                grams?: number;
                ml?: number;
                tin_length_mm?: number;
                tin_width_mm?: number;
                tin_height_mm?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Fit"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listFoods: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Food"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    giveTries: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["GivingInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    weigh: {
        parameters: {
            query: {
                food: string;
                amount: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Weighed"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listInvitations: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Invitation"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    invite: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["InviteInputBody"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Invited"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endInvitation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readJournal: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["JournalEntry"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getLearned: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenLearned"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    chooseLearned: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LearnedChoice"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenLearned"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    leaveKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listLinks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Link"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    makeLink: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MakeLinkRequest"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LinkMade"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endLink: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    mend: {
        parameters: {
            query: {
                /** @description how a squeezed handful feels */
                felt: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Mend"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookOut: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Outlook"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addOwnFood: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["OwnFoodInputBody"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Food"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeOwnFood: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["ChangeOwnFoodInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Food"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    dropOwnFood: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    openPairing: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Pairing"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPantry: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PantryItem"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    savePantryItem: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                food: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PantryItem"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PantryItem"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    fitPart: {
        parameters: {
            query: {
                /** @description which part, from 1 */
                part: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Part"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    startPart: {
        parameters: {
            query: {
                kind: "filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Part"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    planPatties: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PattiesAsked"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PattiesAnswer"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listMembers: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Member"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    setMember: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                account: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["MemberInputBody"];
            };
        };
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    removeMember: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                account: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    keepPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "image/jpeg": string;
                "image/png": string;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptPhoto"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPhoto: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    "Cache-Control"?: string;
                    "Content-Type"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": unknown;
                    "image/png": unknown;
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    plan: {
        parameters: {
            query?: {
                /** @description where pins cannot be held, plans without them and says which */
                loose?: boolean;
                /** @description with little work, while somebody moves a step: at the heats that the document says */
                quick?: boolean;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Supper"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Plan"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPractice: {
        parameters: {
            query?: {
                /** @description whose; the first of the kitchen where it is empty */
                person?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticePage"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    exportPractice: {
        parameters: {
            query?: {
                /** @description whose; the first of the kitchen where it is empty */
                person?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    "Content-Disposition"?: string;
                    "Content-Type"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": unknown;
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    importPractice: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "text/csv": string;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticeImported"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addPracticePerson: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PersonSaid"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticePerson"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    savePracticePerson: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PersonSaid"];
            };
        };
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    beginPractice: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PracticeWish"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticeSitting"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    callPractice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PracticeCallSent"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PracticeMarked"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endPractice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    predict: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Predicted"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    putAwayKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readLine: {
        parameters: {
            query: {
                /** @description one ingredient line, as a cook writes it */
                text: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Reading"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readRecipe: {
        parameters: {
            query?: {
                /** @description what the cook says that lines of the text are, by their number in rows: 3=ingredient,7=none */
                labels?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "*/*"?: never;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Recipe"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    reshape: {
        parameters: {
            query: {
                kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Shaped"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    restoreKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    scale: {
        parameters: {
            query?: {
                tin_length_mm?: number;
                tin_width_mm?: number;
                tin_height_mm?: number;
                pieces?: number;
                portions?: number;
                /** @description a food there is so much of */
                food?: string;
                grams?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Scaling"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    schools: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Document"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["School"][];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSettings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    saveSettings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Settings"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listSides: {
        parameters: {
            query?: {
                people?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Side"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readSide: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SideText"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ReadSide"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookAtSupper: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Supper"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SupperLook"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listSuppers: {
        parameters: {
            query?: {
                limit?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SupperEntry"][];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    createSupper: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Supper"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptSupper"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSupper: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptSupper"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    saveSupper: {
        parameters: {
            query?: never;
            header?: {
                /** @description the ETag of the version that the change was made on */
                "If-Match"?: string;
            };
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["Supper"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptSupper"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Failed */
            412: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Required */
            428: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteSupper: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    exportSupper: {
        parameters: {
            query?: {
                format?: "ics" | "csv" | "document";
                language?: "en" | "es";
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    "Content-Disposition"?: string;
                    "Content-Type"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": unknown;
                    "text/calendar": unknown;
                    "text/csv": unknown;
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Gone */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    restoreSupper: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptSupper"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    takeFrom: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TakeFrom"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TakenFrom"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listTries: {
        parameters: {
            query?: {
                text?: string;
                outcome?: "held" | "broke" | "unsaid" | "";
                kind?: "try" | "patties" | "";
                build?: string;
                /** @description the time of the last one seen */
                before?: string;
                /** @description the ID of the last one seen */
                before_id?: string;
                limit?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TryList"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    writeTry: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TryDraft"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptTry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    exportTries: {
        parameters: {
            query?: {
                format?: "csv" | "markdown" | "json";
                language?: "en" | "es";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    "Content-Disposition"?: string;
                    "Content-Type"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": unknown;
                    "text/csv": unknown;
                    "text/markdown": unknown;
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    importTries: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "*/*"?: never;
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Imported"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getTry: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptTry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    saveTry: {
        parameters: {
            query?: never;
            header?: {
                /** @description the ETag of the version that the change was made on */
                "If-Match"?: string;
            };
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["TryDraft"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptTry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Failed */
            412: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Precondition Required */
            428: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteTry: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    compareTries: {
        parameters: {
            query: {
                with: string;
            };
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ComparedTries"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    nextTry: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NextTry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    restoreTry: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    ETag?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KeptTry"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getUsage: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenUsage"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
}
