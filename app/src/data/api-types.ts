// Made by `npm run api-types` from the description that the server gives at /api/openapi.json. Not edited by hand.
export interface paths {
    "/v1/traces": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Spans
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Traces"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/logs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Lines of logs; changes as events named toplens.change, business events named toplens.business_event
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Logs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/metrics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Points of metrics, of all kinds
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Metrics"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/browser": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Page views, script errors, business events and spans of a page
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Browser"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/har": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Page loads of a HAR file: version 1.2; sent again it adds nothing
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Har"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/business-events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Business events
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1BusinessEvents"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Changes
         * @description Acknowledged when they are on the disk.
         */
        post: operations["postV1Changes"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/worst-first": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Incidents of a window, worst first */
        get: operations["getWorstFirst"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/releases": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Releases that a window can be compared with */
        get: operations["getReleases"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Sudden changes: the end of a window against the time before it, for every flow and component */
        get: operations["getChanges"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One incident within a window */
        get: operations["getIncidentsById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/statements": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Statements that explain why an incident is slow */
        get: operations["getIncidentsByIdStatements"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/lost-by-tier": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Value that an incident cost so far, by tier */
        get: operations["getIncidentsByIdLostByTier"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/decisions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Decision on an incident: joins, splits, sets aside, and takes back */
        post: operations["postIncidentsByIdDecisions"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/alerts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who is told of what, and what was sent */
        get: operations["getAlerts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/alerts/try": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Trial of a rule: how often it would have spoken; nothing is sent */
        post: operations["postAlertsTry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/alerts/test": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A test message to a receiver, by all its ways */
        post: operations["postAlertsTest"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/alerts/messages/{id}/again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Tries again to deliver a message */
        post: operations["postAlertsMessagesByIdAgain"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/attempts/{traceId}/{spanId}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One attempt with all its spans */
        get: operations["getAttemptsByTraceIdBySpanId"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/attempts/{traceId}/{spanId}/hosts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Hosts of an attempt in its minutes */
        get: operations["getAttemptsByTraceIdBySpanIdHosts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/attempts/{traceId}/{spanId}/person": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who made an attempt: known since when, and what they did in the day before */
        get: operations["getAttemptsByTraceIdBySpanIdPerson"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/attempts/{traceId}/{spanId}/beside": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What else a store was asked while this statement ran */
        get: operations["getAttemptsByTraceIdBySpanIdBeside"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/boards": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Boards: what roles want to see */
        get: operations["getBoards"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/boards/{name}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A board with what its tiles show now */
        get: operations["getBoardsByName"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/boards/{name}/links": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Pages of a board that open without a login */
        get: operations["getBoardsByNameLinks"];
        put?: never;
        /** A page of a board, or of one of its tiles, that opens without a login, read-only, until it ends */
        post: operations["postBoardsByNameLinks"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/boards/{name}/links/{link}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Revokes a link: it opens nothing any more */
        delete: operations["deleteBoardsByNameLinksByLink"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/shared-boards/{token}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What a link to a board shows now, without persons */
        get: operations["getSharedBoardsByToken"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/slowest-flows": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The slowest flows, each with its slowest attempts */
        get: operations["getSlowestFlows"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All flows with what their attempts came to */
        get: operations["getFlows"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One flow */
        get: operations["getFlowsById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows/{id}/steps": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Steps inside a flow, each against its own limit */
        get: operations["getFlowsByIdSteps"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows/{id}/field": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Attempts of a flow by time and duration */
        get: operations["getFlowsByIdField"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows/{id}/region": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Attempts of a part of the field, worst first; of those that succeeded, with most value first */
        get: operations["getFlowsByIdRegion"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows/{id}/path": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The components that a flow goes through */
        get: operations["getFlowsByIdPath"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flow-counts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All that was ever recorded, by flow */
        get: operations["getFlowCounts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/journeys": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Ways that people walk through flows: who sets out, leaves, completes */
        get: operations["getJourneys"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/journeys/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One journey, step by step, and in which order to mend */
        get: operations["getJourneysById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/journeys/{id}/steps/{step}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The sessions at one step of a journey, by what became of them */
        get: operations["getJourneysByIdStepsByStep"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/money": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Orders, value, size and conversion against the same hours of like days */
        get: operations["getMoney"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/early-warnings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Probes that are off, flows that answer in next to no time, hosts that fell silent while others of their component work, and figures of hosts that are full or raised */
        get: operations["getEarlyWarnings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/estate": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Everything that runs: the end of the window against the same hours of earlier days */
        get: operations["getEstate"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/components/{name}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A component: callers, callees, hosts, flows, incidents, changes */
        get: operations["getComponentsByName"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/hosts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Hosts of an incident: processes and runtimes too, ruled out or left over */
        get: operations["getIncidentsByIdHosts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/logs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Log lines of an incident's components brought to patterns, against the hours before */
        get: operations["getIncidentsByIdLogs"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/pages": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Page loads in browsers by page or country, heaviest first; where it is worse; what does not come */
        get: operations["getPages"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/page-loads/{view}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One view of one page, with all that it fetched */
        get: operations["getPageLoadsByView"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/page-load-of/{trace}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The view that a trace began in */
        get: operations["getPageLoadOfByTrace"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/script-errors": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Errors of scripts in groups, by people met */
        get: operations["getScriptErrors"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/source-maps": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Source maps that stacks are read through */
        get: operations["getSourceMaps"];
        put?: never;
        /** Source map (ECMA-426); one of the same component, version and file is replaced */
        post: operations["postSourceMaps"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/hurt": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** People whom an incident hurt, worst off first, without names */
        get: operations["getIncidentsByIdHurt"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/hurt/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** People whom an incident hurt with ids, as CSV: needs a key; recorded with who and why */
        post: operations["postIncidentsByIdHurtExport"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/find": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What one person did, in order of time: needs a key; recorded with who and why */
        post: operations["postPeopleFind"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** All that is stored of one person, as JSON: needs a key; recorded with who and why */
        post: operations["postPeopleExport"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/people/erase": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes away who one person is: what was measured stays, of nobody; recorded with who and why */
        post: operations["postPeopleErase"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/attempts/{traceId}/{spanId}/unmasked": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** One attempt with ids and texts as they were sent: needs a key; recorded with who and why */
        post: operations["postAttemptsByTraceIdBySpanIdUnmasked"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/person-looks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who looked at persons by name, and why */
        get: operations["getPersonLooks"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/phone": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Versions of phone applications side by side, and crashes in groups */
        get: operations["getPhone"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/crash-groups/{crash}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The group of a crash: where it happens more often */
        get: operations["getCrashGroupsByCrash"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/crashes/{crash}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One crash, with threads, trail and session */
        get: operations["getCrashesByCrash"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/phone-addresses": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What phones asked of servers, by address */
        get: operations["getPhoneAddresses"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/phone-sessions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Sessions on phones, the worst first */
        get: operations["getPhoneSessions"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/phone-sessions/{session}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One session on one clock */
        get: operations["getPhoneSessionsBySession"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/name-mappings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Mappings that names in stacks are restored by */
        get: operations["getNameMappings"];
        put?: never;
        /** Mapping that restores names in stacks; one of the same component and version is replaced */
        post: operations["postNameMappings"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/promise-report": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the periods that the end of a window lies in came to */
        get: operations["getPromiseReport"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/promises": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Promises that an incident spends the budget of */
        get: operations["getIncidentsByIdPromises"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/promises": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All that was promised, and how it stands */
        get: operations["getPromises"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/promises/{name}/attempts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Attempts that broke a promise, the newest first */
        get: operations["getPromisesByNameAttempts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/promises/{name}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A promise, who spent its budget, and where */
        get: operations["getPromisesByName"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/happened": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What happened: incidents, handoffs, releases, changes */
        get: operations["getHappened"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/happened.json": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What happened as JSON Feed 1.1, for readers of feeds */
        get: operations["getHappenedJson"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/happened.ics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What happened as iCalendar (RFC 5545), for calendars */
        get: operations["getHappenedIcs"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sites": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Activities of people at work by site or the like, on one scale, and what is off */
        get: operations["getSites"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sites/person": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One person at work over time, against like people */
        get: operations["getSitesPerson"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/remote-desktops": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Sessions on remote desktops: the way there, beside what is done there */
        get: operations["getRemoteDesktops"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/sites/change": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Groups that had a change against groups that did not, before and after it */
        get: operations["getSitesChange"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/probes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every scripted check from every site, the worst first */
        get: operations["getProbes"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/probes/{name}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One probe: its sites, steps, runs, script and limits */
        get: operations["getProbesByName"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/probe-runs/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One run, step by step, with where the time of each went */
        get: operations["getProbeRunsById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/probes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What a runner is to run at its site */
        get: operations["getV1Probes"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/standing": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every application in three words, and every activity with whom its limit fails */
        get: operations["getStanding"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/brief": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The brief as it would be sent */
        get: operations["getIncidentsByIdBrief"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Handoffs, newest first */
        get: operations["getHandoffs"];
        put?: never;
        /** Handoff of an incident to a team */
        post: operations["postHandoffs"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One handoff with its trail */
        get: operations["getHandoffsById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/proof": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What the figures say since the newest reported fix, now */
        get: operations["getHandoffsByIdProof"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/report": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Before and after the fix, as a page or a table */
        get: operations["getHandoffsByIdReport"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/links": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A page of it that opens without a login, until it ends */
        post: operations["postHandoffsByIdLinks"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/links/{link}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Revokes a link: it opens nothing any more */
        delete: operations["deleteHandoffsByIdLinksByLink"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoff-times": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How long handoffs took, by team, flow and month */
        get: operations["getHandoffTimes"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Tries again to deliver a handoff that was kept or could not be delivered */
        post: operations["postHandoffsByIdAgain"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/accept": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Acceptance of a handoff by somebody of the team, here and not at the desk */
        post: operations["postHandoffsByIdAccept"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/answer": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Answer of the desk: it takes a handoff, returns it with a reason, moves or merges it, or reports a fix */
        post: operations["postHandoffsByIdAnswer"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Rates, calendar, and every change of a setting */
        get: operations["getSettings"];
        put?: never;
        /** Change of a setting; what was set before stays in its history */
        post: operations["postSettings"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/try": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Trial of a setting: what it would match, and whether it can be used; nothing is changed */
        post: operations["postSettingsTry"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/calendar.ics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The calendar as iCalendar (RFC 5545) */
        get: operations["getSettingsCalendarIcs"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/calendar/read": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Reads an iCalendar file, and changes nothing: what it would set */
        post: operations["postSettingsCalendarRead"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/file": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All settings in one file, with what single flows and journeys were given in place */
        get: operations["getSettingsFile"];
        put?: never;
        /** Import of a settings file: it takes the place of all settings, and is undone as one change */
        post: operations["postSettingsFile"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/file/schema": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** JSON Schema of the settings file */
        get: operations["getSettingsFileSchema"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/settings/changes/{id}/undo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Undoing of a change: back to what was set before it */
        post: operations["postSettingsChangesByIdUndo"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who is signed in, and what they may do */
        get: operations["getSession"];
        put?: never;
        /** Signs in by a password */
        post: operations["postSession"];
        /** Signs out */
        delete: operations["deleteSession"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/second-factor": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Gives the second factor of a sign-in */
        post: operations["postSessionSecondFactor"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/visitor": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Looks at the demo as one of its people */
        post: operations["postSessionVisitor"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/provider": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Begins to sign in at the provider */
        post: operations["postSessionProvider"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/provider/back": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Comes back from the provider, and is signed in */
        post: operations["postSessionProviderBack"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Of oneself */
        get: operations["getAccount"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account/password": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Changes one's password, and signs out everywhere else */
        post: operations["postAccountPassword"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account/second-factor": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A secret for a second factor; nothing is changed until a code of it is given */
        post: operations["postAccountSecondFactor"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account/second-factor/confirm": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** From now on a second factor is asked for */
        post: operations["postAccountSecondFactorConfirm"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account/second-factor/end": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** No second factor is asked for any more */
        post: operations["postAccountSecondFactorEnd"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account/sessions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Signs out everywhere else */
        delete: operations["deleteAccountSessions"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/account-links/{token}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whom a link is for, by which a password is chosen */
        get: operations["getAccountLinksByToken"];
        put?: never;
        /** Chooses a password by a link, once, and signs in */
        post: operations["postAccountLinksByToken"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/accounts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** People who sign in */
        get: operations["getAccounts"];
        put?: never;
        /** Gives somebody an account */
        post: operations["postAccounts"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/accounts/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Gives roles, takes them, ends an account or opens it again */
        post: operations["postAccountsById"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/accounts/{id}/link": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** A new link by which they choose a password; the one that holds goes on until then */
        post: operations["postAccountsByIdLink"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/accounts/{id}/second-factor": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Takes the second factor of somebody who has lost it */
        delete: operations["deleteAccountsByIdSecondFactor"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/accounts/{id}/sessions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Signs somebody out everywhere */
        delete: operations["deleteAccountsByIdSessions"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/keys": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Keys of what sends telemetry, made here */
        get: operations["getKeys"];
        put?: never;
        /** Makes a key */
        post: operations["postKeys"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/keys/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Revokes a key: nothing is taken with it any more */
        delete: operations["deleteKeysById"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/keys/{id}/secret": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Another secret for a key; the one that it has is taken for a while as well */
        post: operations["postKeysByIdSecret"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/records": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who did what, newest first */
        get: operations["getRecords"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/records.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The same as a table */
        get: operations["getRecordsCsv"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/records/chain": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether the records are whole */
        get: operations["getRecordsChain"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/watch-points": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Lines of running code that are or were watched */
        get: operations["getWatchPoints"];
        put?: never;
        /** Watches a line of running code */
        post: operations["postWatchPoints"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/watch-points/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A watched line, and what its variables held */
        get: operations["getWatchPointsById"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/watch-points/{id}/stop": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Stops watching a line */
        post: operations["postWatchPointsByIdStop"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/v1/watch": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What a service read at watched lines; answers which it is to watch */
        post: operations["postV1Watch"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/readyz": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How every part of this server is: 200 when it takes telemetry and answers questions */
        get: operations["getReadyz"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/healthz": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How every part of this server is: 200 when it takes telemetry and answers questions */
        get: operations["getHealthz"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/status": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How fresh the data is */
        get: operations["getStatus"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/server-state": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How this server's parts are, what is judged again, whose clock is wrong */
        get: operations["getServerState"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/refused-records": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Records that the database refused, newest first */
        get: operations["getRefusedRecords"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/refused-records/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Refused record: drops it */
        delete: operations["deleteRefusedRecordsById"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/refused-records/{id}/send-again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Refused record: tries to store it once more; refused again, it is kept aside again */
        post: operations["postRefusedRecordsByIdSendAgain"];
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
        /**
         * Chart
         * @description A series with what it shows
         */
        Chart: {
            /**
             * @description what is drawn
             * @example duration
             * @enum {string}
             */
            name: "duration" | "failures" | "attempts" | "underWay";
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            flow: string;
            /** @description what is drawn */
            series: components["schemas"]["Series"];
            /**
             * @description the other window, in words; null when none is
             * @example last Monday
             */
            comparedWith: string | null;
            /**
             * @description of what the filter leaves; the range beside it is what is usual for everybody
             * @example true
             */
            isNarrowed: boolean;
        };
        /**
         * Freshness
         * @description Up to when data is complete and judged, and who is silent
         */
        Freshness: {
            /**
             * @description up to when data is complete; null before the first
             * @example 1772446480000
             */
            watermarkMs: number | null;
            /**
             * @description up to when minutes are judged; null before the first
             * @example 1772446440000
             */
            judgedMs: number | null;
            /** @description applications that have sent nothing for longer than usual */
            silent: {
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description since when
                 * @example 1772442840000
                 */
                sinceMs: number;
            }[];
            /** @description of when the data is that is just coming in, while a history is being loaded; null when it is of now */
            earlier: {
                /**
                 * @description its earliest moment
                 * @example 1771491600000
                 */
                fromMs: number;
                /**
                 * @description its latest moment
                 * @example 1771495200000
                 */
                toMs: number;
            } | null;
        };
        /**
         * Interval
         * @description A value with its 95 % interval
         */
        Interval: {
            /**
             * @description likeliest value
             * @example 128
             */
            estimate: number;
            /**
             * @description lower end of the 95 % interval
             * @example 1
             */
            low: number;
            /**
             * @description upper end of the 95 % interval
             * @example 1
             */
            high: number;
        };
        /**
         * Mark
         * @description A moment on the time axis
         */
        Mark: {
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description in words
             * @example
             */
            words: string;
        };
        /**
         * Problem
         * @description What is wrong and the way on (RFC 9457)
         */
        Problem: {
            /**
             * @description which kind of problem, from the catalogue
             * @example urn:toplens:problem:badInput
             */
            type: string;
            /**
             * @description what is wrong, in general
             * @example A value in the request is not right
             */
            title: string;
            /**
             * @description HTTP status
             * @example 400
             */
            status: number;
            /**
             * @description what is wrong here and the way on, for people
             * @example rankBy: expected one of harm, people, money
             */
            detail: string;
            /**
             * @description name of the value that is not right
             * @example rankBy
             */
            field?: string;
            /**
             * @description number under which the log has it
             * @example urn:uuid:9e68c803-e0c6-4d57-b079-790b54c747bb
             */
            instance?: string;
        };
        /**
         * Remaining
         * @description What a focus leaves of a window
         */
        Remaining: {
            /**
             * @description sessions
             * @example 410
             */
            sessions: number;
            /**
             * @description attempts
             * @example 1840
             */
            attempts: number;
        };
        /**
         * Series
         * @description Points of one measure beside what is usual; null where nothing is known or nothing came
         */
        Series: {
            /**
             * @description begin of the first step
             * @example 1772442000000
             */
            startMs: number;
            /**
             * @description length of a step
             * @example 60000
             */
            stepMs: number;
            /** @description values */
            values: (number | null)[];
            /** @description lower end of the usual range; null where nothing is known */
            low: (number | null)[];
            /** @description upper end of the usual range; null where nothing is known */
            high: (number | null)[];
            /** @description the same measure in the window that is compared with; null when none is */
            other: (number | null)[] | null;
        };
        /**
         * Window
         * @description A stretch of time: its end does not belong to it
         */
        Window: {
            /**
             * @description begin
             * @example 1772442000000
             */
            fromMs: number;
            /**
             * @description end
             * @example 1772445600000
             */
            toMs: number;
        };
        /**
         * BillLine
         * @description One line of the harm bill: quantity × rate × importance
         */
        BillLine: {
            /**
             * @description which line
             * @example waiting
             * @enum {string}
             */
            name: "waiting" | "failed" | "left" | "missing" | "money" | "keyCustomers";
            /** @description what the line counts, in its own unit */
            quantity: components["schemas"]["Interval"];
            /**
             * @description harm of one
             * @example 3
             */
            rate: number;
            /**
             * @description of the flows in it, mean by quantity: 1 is as any other
             * @example 1
             */
            importance: number;
            /** @description harm, in points: one is a minute waited */
            harm: components["schemas"]["Interval"];
        };
        /**
         * Change
         * @description What changed in a flow or component at the end of a window
         */
        Change: {
            /**
             * @description what it is
             * @example flow
             * @enum {string}
             */
            kind: "flow" | "component";
            /**
             * @description name of the flow or component
             * @example slots
             */
            name: string;
            /**
             * @description number
             * @example 7
             */
            id: number | null;
            /**
             * @description what changed
             * @example attempts
             * @enum {string}
             */
            measure: "attempts" | "failures" | "duration";
            /**
             * @description the end of the window against the time before it; null where there was nothing before
             * @example 3.4
             */
            ratio: number | null;
            /**
             * @description in words
             * @example
             */
            words: string;
        };
        /**
         * Changes
         * @description The last twelfth of a window against the rest of it
         */
        Changes: {
            /** @description the end of the window, which is compared */
            window: components["schemas"]["Window"];
            /** @description the longer time before it */
            before: components["schemas"]["Window"];
            /** @description every flow and component, the largest change first */
            changes: components["schemas"]["Change"][];
        };
        /**
         * Compared
         * @description The figures of the list in another window
         */
        Compared: {
            /**
             * @description begin
             * @example 1772442000000
             */
            fromMs: number;
            /**
             * @description end
             * @example 1772445600000
             */
            toMs: number;
            /**
             * @description in words
             * @example
             */
            words: string;
            /**
             * @description harm an hour
             * @example 214
             */
            harmPerHour: number;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /**
             * @description incidents that hurt somebody
             * @example 2
             */
            incidents: number;
            /**
             * @description data reaches back so far
             * @example true
             */
            isKnown: boolean;
        };
        /**
         * Decided
         * @description The incident to look at now
         */
        Decided: {
            /**
             * @description number
             * @example 7
             */
            id: number;
        };
        /**
         * EarlyWarning
         * @description An incident that hurts nobody so far
         */
        EarlyWarning: {
            /**
             * @description number
             * @example 7
             */
            id: number;
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description when it began, told by change-point
             * @example 1772442840000
             */
            onsetMs: number;
            /**
             * @description goes on now, whatever window is looked at
             * @example true
             */
            inTroubleNow: boolean;
            /**
             * @description what may come of it, in words
             * @example If it goes on, people who come this way will feel it.
             */
            mayBecome: string;
        };
        /**
         * Incident
         * @description One incident within a window
         */
        Incident: {
            /**
             * @description number of the incident
             * @example 7
             */
            id: number;
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description who is hurt and how, in one sentence
             * @example
             */
            sentence: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description what is wrong
             * @example slow
             * @enum {string}
             */
            signal: "slow" | "failing" | "missing";
            /**
             * @description how bad it is
             * @example calm
             * @enum {string}
             */
            level: "calm" | "strained" | "hurting" | "broken";
            /**
             * @description what is to be looked at first
             * @example P1
             * @enum {string}
             */
            priority: "P1" | "P2" | "P3" | "P4";
            /**
             * @description how it changes
             * @example growing
             * @enum {string}
             */
            trend: "growing" | "steady" | "fading" | "new" | "over";
            /**
             * @description when it began, told by change-point
             * @example 1772442840000
             */
            onsetMs: number;
            /**
             * @description since when it was known
             * @example 1772443020000
             */
            detectedMs: number;
            /**
             * @description first moment that is usual again; the newest judged minute while it goes on
             * @example 1772446440000
             */
            endMs: number;
            /**
             * @description went on at the end of the window
             * @example true
             */
            activeAtEnd: boolean;
            /**
             * @description goes on now, whatever window is looked at
             * @example true
             */
            inTroubleNow: boolean;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description parts */
            parts: components["schemas"]["Part"][];
            /** @description lines of the harm bill: quantity, rate, harm */
            bill: components["schemas"]["BillLine"][];
            /**
             * @description of the money, what it adds to the penalties expected
             * @example 120
             */
            penalties: number;
            /** @description promises whose budget it spent of; those that it makes dearest first */
            promises: {
                /**
                 * @description name of the promise
                 * @example Labels for partners
                 */
                name: string;
                /**
                 * @description what it counts, and what makes that good
                 * @example answered
                 * @enum {string}
                 */
                indicator: "answered" | "inTime" | "people" | "views" | "crashFree" | "reachable";
                /**
                 * @description bad ones of what it counts, beyond the usual, in the window
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all that may be bad in its period
                 * @example 0.12
                 */
                budgetShare: number;
                /**
                 * @description what it adds to the penalty expected
                 * @example 120
                 */
                penalty: number;
            }[];
            /** @description harm, minutes of people's time */
            harm: components["schemas"]["Interval"];
            /**
             * @description harm an hour
             * @example 214
             */
            harmPerHour: number;
            /**
             * @description null when it does not count in the rank
             * @example 1
             */
            rank: number | null;
            /**
             * @description best rank by harm while each rate is halved and doubled
             * @example 1
             */
            best: number | null;
            /**
             * @description worst rank by harm while each rate is halved and doubled
             * @example 2
             */
            worst: number | null;
            /**
             * @description its range overlaps with a neighbour's
             * @example true
             */
            nearTie: boolean;
            /** @description people hurt beyond the usual, each counted once */
            people: components["schemas"]["Interval"];
            /**
             * @description many of its attempts do not say whose they are: each of these counts as a person
             * @example true
             */
            isAbout: boolean;
            /**
             * @description people hurt who belong to key tiers
             * @example 4
             */
            keyPeople: number;
            /** @description attempts by what became of them */
            outcomes: {
                /**
                 * @description attempts that took no longer than the limit
                 * @example 1400
                 */
                onTime: number;
                /**
                 * @description attempts that took longer than the limit
                 * @example 140
                 */
                late: number;
                /**
                 * @description attempts that took so long that people gave up
                 * @example 4
                 */
                hung: number;
                /**
                 * @description attempts that failed
                 * @example 31
                 */
                failed: number;
            };
            /** @description series to draw, beside what is usual */
            charts: components["schemas"]["Chart"][];
            /** @description releases, on the time axis */
            marks: components["schemas"]["Mark"][];
            /** @description who is hit more than others */
            mostHit: components["schemas"]["MostHit"];
            /** @description attempts to look at */
            samples: components["schemas"]["Sample"][];
            /** @description name of the component (service.name) */
            component: {
                /**
                 * @description name
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description in words
                 * @example
                 */
                words: string;
            } | null;
            /** @description where it began; null where no attempt came whose trace could tell */
            origin: components["schemas"]["Origin"] | null;
            /** @description where attempts that never came may have been lost; null when they came */
            outage: components["schemas"]["Outage"] | null;
            /** @description the team that should get it; null when none is known */
            proposedTeam: {
                /**
                 * @description name of the team
                 * @example Slots Team
                 */
                team: string;
                /**
                 * @description why, in words
                 * @example a holiday moved by a week
                 */
                reason: string;
            } | null;
            /** @description names of all teams */
            teams: string[];
            /** @description what the focus leaves; null when nothing is narrowed, or the window is long */
            remaining: components["schemas"]["Remaining"] | null;
            /** @description why it was set aside; null when it was not */
            setAside: {
                /**
                 * @description why, in words
                 * @example a holiday moved by a week
                 */
                reason: string;
                /**
                 * @description who did it
                 * @example Dana
                 */
                by: string;
                /**
                 * @description until when
                 * @example 1772532840000
                 */
                untilMs: number;
            } | null;
            /** @description what its failing attempts have in common, the place that most of them share first; empty where none fails, or says where */
            failures: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description what was thrown, or the kind of the error
                 * @example SurchargeMissing
                 */
                type: string;
                /**
                 * @description one of its messages
                 * @example no surcharge for band 4
                 */
                message: string;
                /**
                 * @description how many different messages there were
                 * @example 1
                 */
                messages: number;
                /**
                 * @description class; '' where the stack does not say
                 * @example Tariff
                 */
                className: string;
                /**
                 * @description method; '' where the stack does not say
                 * @example surcharge
                 */
                method: string;
                /**
                 * @description file; '' where the stack does not say
                 * @example tariff.ts
                 */
                file: string;
                /**
                 * @description line; 0 where the stack does not say
                 * @example 118
                 */
                line: number;
                /**
                 * @description attempts that failed so
                 * @example 180
                 */
                attempts: number;
                /**
                 * @description newest failing attempts that were looked at
                 * @example 210
                 */
                looked: number;
            }[];
            /** @description incidents that people joined with it */
            joined: {
                /**
                 * @description number of the incident
                 * @example 7
                 */
                id: number;
                /**
                 * @description headline of the incident
                 * @example Fails for 24 %, usually 0.4 %: Book a pick-up
                 */
                title: string;
            }[];
            /** @description incidents of about the same time, which might be one with it */
            nearby: {
                /**
                 * @description number of the incident
                 * @example 7
                 */
                id: number;
                /**
                 * @description headline of the incident
                 * @example Fails for 24 %, usually 0.4 %: Book a pick-up
                 */
                title: string;
            }[];
            /** @description what people decided about it, newest first */
            decisions: {
                /**
                 * @description when, as ISO 8601 in UTC
                 * @example 2026-03-02T09:14:00.000Z
                 */
                at: string;
                /**
                 * @description who did it
                 * @example Dana
                 */
                who: string;
                /**
                 * @description what it was
                 * @example
                 */
                what: string;
                /**
                 * @description more, for people
                 * @example
                 */
                detail: string;
            }[];
        };
        /**
         * LostByTier
         * @description Value that an incident cost, by tier
         */
        LostByTier: {
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description of all tiers together */
            whole: components["schemas"]["Interval"];
            /** @description by tier */
            tiers: {
                /**
                 * @description tier of the customer; '' when not told
                 * @example business
                 */
                tier: string;
                /** @description value lost, units of currency */
                money: components["schemas"]["Interval"];
                /** @description people hurt beyond the usual, each counted once */
                people: components["schemas"]["Interval"];
            }[];
        };
        /**
         * MostHit
         * @description Who is hit more than others, who less, and what makes no difference
         */
        MostHit: {
            /** @description values whose people are hit more than others */
            segments: components["schemas"]["Segment"][];
            /** @description values whose people are hit less */
            spared: components["schemas"]["Segment"][];
            /** @description dimensions that make no difference by any measure, or have one value */
            ruledOut: {
                /**
                 * @description by what attempts are told apart
                 * @example site
                 * @enum {string}
                 */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host" | "device" | "browser" | "system" | "carrier" | "department" | "role" | "station" | "server";
                /**
                 * @description why, in words
                 * @example oneValue
                 * @enum {string}
                 */
                why: "oneValue" | "noDifference";
                /**
                 * @description value
                 * @example
                 */
                value: string | null;
            }[];
            /** @description what was compared */
            measures: ("wentWrong" | "waited" | "left")[];
            /**
             * @description attempts that were late, hung or failed
             * @example 212
             */
            bad: number;
            /**
             * @description attempts there in all
             * @example 1840
             */
            all: number;
        };
        /**
         * Origin
         * @description In which component it may have begun
         */
        Origin: {
            /** @description components in which it may have begun, likeliest first */
            candidates: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description how much speaks for it, 0 to 1
                 * @example 0.82
                 */
                score: number;
                /** @description what speaks for it, weightiest first */
                reasons: string[];
                /**
                 * @description name of the team
                 * @example Slots Team
                 */
                team: string | null;
            }[];
            /** @description what was changed on the affected paths shortly before */
            changes: string[];
            /**
             * @description a second component in which something began at the same time; null when none did
             * @example labels
             */
            second: string | null;
            /**
             * @description share of known worlds in which a candidate as far ahead as the first was right; null when none is ahead
             * @example 0.93
             */
            trust: number | null;
            /** @description components on the affected paths, from the top down */
            rungs: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description steps below the begin, mean
                 * @example 2
                 */
                depth: number;
                /**
                 * @description time that an attempt usually spends in it, mean
                 * @example 42000
                 */
                usualUs: number;
                /**
                 * @description time that an attempt spends in it now, mean
                 * @example 1840000
                 */
                nowUs: number;
                /**
                 * @description attempts in which it is the deepest component that fails
                 * @example 18
                 */
                failing: number;
                /**
                 * @description when it began, told by change-point
                 * @example 1772442840000
                 */
                onsetMs: number | null;
                /**
                 * @description sends no spans of its own: this is what its callers saw
                 * @example true
                 */
                isSilent: boolean;
            }[];
            /**
             * @description attempts that were late, hung or failed
             * @example 212
             */
            bad: number;
            /**
             * @description usual attempts that it is compared with
             * @example 80
             */
            usual: number;
            /** @description other flows that reach the first candidate, and how they are in the window */
            shared: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description how bad it is; learning: not known yet what is usual
                 * @example calm
                 * @enum {string}
                 */
                level: "calm" | "strained" | "hurting" | "broken" | "learning" | "noData";
            }[];
        };
        /**
         * Outage
         * @description What usually serves attempts that no longer come
         */
        Outage: {
            /** @description what it comes to, in sentences */
            words: string[];
            /** @description components that usually serve them, from the top down */
            path: {
                /**
                 * @description name of the component (service.name)
                 * @example gateway
                 */
                component: string;
                /**
                 * @description steps below the begin, mean
                 * @example 0
                 */
                depth: number;
                /**
                 * @description spans of all that it serves, in the hour before
                 * @example 12.1
                 */
                usualPerMinute: number;
                /**
                 * @description the same while attempts were missing
                 * @example 0
                 */
                nowPerMinute: number;
                /**
                 * @description next to nothing came, clearly less than usual, or as usual
                 * @example silent
                 * @enum {string}
                 */
                state: "silent" | "less" | "usual";
                /** @description hosts that fell silent while others of it still work */
                silentHosts: string[];
            }[];
            /** @description what was changed on the way shortly before */
            changes: string[];
        };
        /**
         * Part
         * @description One flow's part of an incident
         */
        Part: {
            /**
             * @description number of the flow
             * @example 3
             */
            flowId: number;
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            flow: string;
            /**
             * @description method and route, screen, or name of the span
             * @example POST /pick-ups
             */
            technicalName: string;
            /**
             * @description what is wrong
             * @example slow
             * @enum {string}
             */
            signal: "slow" | "failing" | "missing";
            /**
             * @description how bad it is
             * @example calm
             * @enum {string}
             */
            level: "calm" | "strained" | "hurting" | "broken";
            /**
             * @description when it began, told by change-point
             * @example 1772442840000
             */
            onsetMs: number;
            /**
             * @description first moment that is usual again; the newest judged minute while it goes on
             * @example 1772446440000
             */
            endMs: number;
            /**
             * @description still goes on at the newest judged minute
             * @example true
             */
            active: boolean;
            /**
             * @description what the normal is learned from, best first
             * @example timeOfWeek
             * @enum {string}
             */
            basis: "timeOfWeek" | "timeOfWeekWide" | "dayPattern" | "history" | "firstMinutes" | "ownersLimit" | "published" | "none";
            /**
             * @description an attempt that takes longer is late; null where nothing is known
             * @example 800
             */
            limitMs: number | null;
            /**
             * @description who set the limit that judges; published: how long people are known to wait
             * @example owner
             * @enum {string}
             */
            limitBy: "owner" | "learned" | "published" | "none";
            /**
             * @description limit that is learned from what is usual; null where nothing is known
             * @example 900
             */
            learnedLimitMs: number | null;
            /**
             * @description how long it usually takes; null where nothing is known
             * @example 420
             */
            expectedMs: number | null;
        };
        /**
         * Releases
         * @description Releases of the week before the end of a window
         */
        Releases: {
            /** @description the newest first */
            releases: {
                /**
                 * @description version
                 * @example 4.18.0
                 */
                version: string;
                /**
                 * @description application or component
                 * @example slots
                 */
                of: string;
                /**
                 * @description when it was first seen
                 * @example 1772442840000
                 */
                atMs: number;
            }[];
        };
        /**
         * Row
         * @description One incident of the list
         */
        Row: {
            /**
             * @description number of the incident
             * @example 7
             */
            id: number;
            /**
             * @description rank under the chosen ranking, 1 is worst
             * @example 1
             */
            rank: number;
            /**
             * @description places gained since ten minutes before (positive: worse now); null when it was not there
             * @example 2
             */
            moved: number | null;
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /** @description names of the flows in trouble */
            flows: string[];
            /**
             * @description what is wrong
             * @example slow
             * @enum {string}
             */
            signal: "slow" | "failing" | "missing";
            /**
             * @description how bad it is
             * @example calm
             * @enum {string}
             */
            level: "calm" | "strained" | "hurting" | "broken";
            /**
             * @description what is to be looked at first
             * @example P1
             * @enum {string}
             */
            priority: "P1" | "P2" | "P3" | "P4";
            /**
             * @description when it began, told by change-point
             * @example 1772442840000
             */
            onsetMs: number;
            /**
             * @description first moment that is usual again; the newest judged minute while it goes on
             * @example 1772446440000
             */
            endMs: number;
            /**
             * @description went on at the end of the window
             * @example true
             */
            activeAtEnd: boolean;
            /**
             * @description goes on now, whatever window is looked at
             * @example true
             */
            inTroubleNow: boolean;
            /**
             * @description how it changes
             * @example growing
             * @enum {string}
             */
            trend: "growing" | "steady" | "fading" | "new" | "over";
            /** @description attempts by what became of them */
            outcomes: {
                /**
                 * @description attempts that took no longer than the limit
                 * @example 1400
                 */
                onTime: number;
                /**
                 * @description attempts that took longer than the limit
                 * @example 140
                 */
                late: number;
                /**
                 * @description attempts that took so long that people gave up
                 * @example 4
                 */
                hung: number;
                /**
                 * @description attempts that failed
                 * @example 31
                 */
                failed: number;
            };
            /**
             * @description attempts that were expected and never came, in the flow that misses most
             * @example 44
             */
            missingAttempts: number;
            /**
             * @description harm an hour
             * @example 214
             */
            harmPerHour: number;
            /** @description harm, minutes of people's time */
            harm: components["schemas"]["Interval"];
            /** @description people hurt beyond the usual, each counted once */
            people: components["schemas"]["Interval"];
            /**
             * @description many of its attempts do not say whose they are: each of these counts as a person
             * @example true
             */
            isAbout: boolean;
            /**
             * @description value lost
             * @example 1840
             */
            money: number;
            /**
             * @description harm to key customers
             * @example 12
             */
            keyCustomers: number;
            /**
             * @description what it weighs under the chosen ranking, in that ranking's unit
             * @example 1
             */
            weight: number;
            /** @description the promise of whose budget it took most in the window; null when of none */
            promiseSpent: {
                /**
                 * @description name of the promise
                 * @example Labels for partners
                 */
                name: string;
                /**
                 * @description of all that may be bad in its period
                 * @example 0.12
                 */
                budgetShare: number;
            } | null;
            /**
             * @description best rank by harm while each rate is halved and doubled
             * @example 1
             */
            best: number;
            /**
             * @description worst rank by harm while each rate is halved and doubled
             * @example 2
             */
            worst: number;
            /**
             * @description its range overlaps with a neighbour's
             * @example true
             */
            nearTie: boolean;
            /** @description the measure in trouble, for a small chart */
            spark: components["schemas"]["Series"];
            /** @description what was changed on its way, on the time axis of the small chart */
            marks: components["schemas"]["Mark"][];
            /**
             * @description the team that should get it; null when none is known
             * @example Slots Team
             */
            proposedTeam: string | null;
            /** @description the newest handoff of it, as it is now; null when it has none */
            handoff: components["schemas"]["HandoffMark"] | null;
            /** @description the same as it was at the end of a past window; null when it had none yet */
            handoffThen: components["schemas"]["HandoffMark"] | null;
        };
        /**
         * Segment
         * @description Attempts of one value of a dimension, against all others
         */
        Segment: {
            /**
             * @description by what attempts are told apart
             * @example site
             * @enum {string}
             */
            dimension: "site" | "version" | "region" | "tier" | "promotion" | "host" | "device" | "browser" | "system" | "carrier" | "department" | "role" | "station" | "server";
            /**
             * @description value of the dimension
             * @example Depot North
             */
            value: string;
            /**
             * @description attempts there in all
             * @example 1840
             */
            all: number;
            /**
             * @description attempts that were late, hung or failed
             * @example 212
             */
            bad: number;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /**
             * @description share of the bad attempts that came this way
             * @example 0.7
             */
            shareOfBad: number;
            /**
             * @description share of all attempts that came this way
             * @example 0.2
             */
            shareOfAll: number;
            /**
             * @description how many times as often it goes wrong here; null: nothing went wrong elsewhere
             * @example 3.4
             */
            relativeRisk: number | null;
            /**
             * @description lower end of the interval of the relative risk
             * @example 2.2
             */
            low: number;
            /**
             * @description upper end of the interval of the relative risk; null: without bound
             * @example 6.1
             */
            high: number | null;
            /**
             * @description attempts that went wrong beyond what the rest of the attempts would let expect
             * @example 180
             */
            excess: number;
            /** @description by what it stands out; empty when it does not */
            by: ("wentWrong" | "waited" | "left")[];
            /** @description waited longer than usual, mean of an attempt that did not fail; null: too few can tell */
            waited: {
                /**
                 * @description of those with the value, each against their own usual
                 * @example 4200
                 */
                here: number;
                /**
                 * @description of all others, likewise
                 * @example 2800
                 */
                elsewhere: number;
                /**
                 * @description lower end of the 95 % range of the difference; null: without bound
                 * @example 1100
                 */
                low: number | null;
                /**
                 * @description upper end of it; null: without bound
                 * @example 1700
                 */
                high: number | null;
            } | null;
            /** @description share of the sessions that went no further, beyond the usual; null: cannot be told */
            left: {
                /**
                 * @description of those with the value, each against their own usual
                 * @example 0.18
                 */
                here: number;
                /**
                 * @description of all others, likewise
                 * @example 0.06
                 */
                elsewhere: number;
                /**
                 * @description lower end of the 95 % range of the difference; null: without bound
                 * @example 0.08
                 */
                low: number | null;
                /**
                 * @description upper end of it; null: without bound
                 * @example 0.16
                 */
                high: number | null;
            } | null;
            /**
             * @description by what it stands out, in words
             * @example site Ostrel: waits 4.2 s longer than usual, elsewhere 2.8 s; 18 % more leave than usual, elsewhere 6 %
             */
            words: string;
        };
        /**
         * SetAside
         * @description An incident that people set aside
         */
        SetAside: {
            /**
             * @description number
             * @example 7
             */
            id: number;
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description why, in words
             * @example a holiday moved by a week
             */
            reason: string;
            /**
             * @description who did it
             * @example Dana
             */
            by: string;
            /**
             * @description until when
             * @example 1772532840000
             */
            untilMs: number;
        };
        /**
         * SlowerStatements
         * @description Statements that explain why the attempts of an incident take longer than in the hours before
         */
        SlowerStatements: {
            /**
             * @description attempts of its first hour that were looked at, a fair sample
             * @example 150
             */
            attempts: number;
            /**
             * @description of the three hours before it
             * @example 150
             */
            usualAttempts: number;
            /** @description those that explain most first; empty where none does, or nothing got slower */
            statements: {
                /**
                 * @description store that it was sent to
                 * @example slots-db
                 */
                component: string;
                /**
                 * @description its shape, values left out
                 * @example SELECT … FROM slot WHERE depot = ?
                 */
                statement: string;
                /**
                 * @description of a mean attempt
                 * @example 410
                 */
                nowMs: number;
                /**
                 * @description the same before; 0 where it was not sent
                 * @example 12
                 */
                usualMs: number;
                /**
                 * @description calls of a mean attempt
                 * @example 1
                 */
                nowCalls: number;
                /**
                 * @description the same before
                 * @example 1
                 */
                usualCalls: number;
                /**
                 * @description of what attempts take longer
                 * @example 0.8
                 */
                shareOfExcess: number;
                /**
                 * @description in words
                 * @example 410 ms of an attempt, usually 12 ms: 80 % of what attempts take longer
                 */
                words: string;
            }[];
        };
        /**
         * WorstFirst
         * @description The incidents of a window, worst first
         */
        WorstFirst: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description what orders the list
             * @example harm
             * @enum {string}
             */
            ranking: "harm" | "each" | "people" | "money" | "promises" | "keyCustomers";
            /**
             * @description first sentence: how many people, what it costs
             * @example 128 people are being hurt
             */
            headline: string;
            /**
             * @description second sentence: money, and who has what
             * @example 12 people an hour give up. Two have no team yet.
             */
            detail: string;
            /** @description all incidents together; the ranges take it that they err independently of each other */
            together: {
                /** @description persons hurt, each counted once */
                people: components["schemas"]["Interval"];
                /** @description harm an hour, minutes */
                harmPerHour: components["schemas"]["Interval"];
                /** @description value not earned */
                money: components["schemas"]["Interval"];
            };
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description rows */
            rows: components["schemas"]["Row"][];
            /** @description incidents that hurt nobody so far */
            earlyWarnings: components["schemas"]["EarlyWarning"][];
            /** @description of what is used it is not known yet what is usual; null when it is of all */
            learning: {
                /**
                 * @description flows that are judged by their first minutes alone
                 * @example 3
                 */
                flows: number;
                /**
                 * @description flows that people used in the last hour
                 * @example 8
                 */
                of: number;
                /**
                 * @description from when on what is usual for the first of them is known, if attempts go on coming
                 * @example 1772446440000
                 */
                usualFromMs: number | null;
            } | null;
            /**
             * @description something is promised
             * @example true
             */
            hasPromises: boolean;
            /** @description incidents that people set aside */
            setAside: components["schemas"]["SetAside"][];
            /** @description the same figures of another window; null when none is compared with */
            compared: components["schemas"]["Compared"] | null;
            /** @description what the focus leaves; null when nothing is narrowed, or the window is long */
            remaining: components["schemas"]["Remaining"] | null;
            /**
             * @description end of the last incident before the window, when nothing is wrong; null when there never was one
             * @example 1772439000000
             */
            lastEndedMs: number | null;
            /** @description names of all applications, in order of the alphabet */
            applications: string[];
            /** @description names of all teams */
            teams: string[];
            /** @description flows that can be looked at by themselves */
            flows: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
            }[];
            /** @description values that ever came, by dimension */
            dimensions: {
                /**
                 * @description by what attempts are told apart
                 * @example site
                 * @enum {string}
                 */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host" | "device" | "browser" | "system" | "carrier" | "department" | "role" | "station" | "server";
                /** @description values */
                values: string[];
            }[];
            /** @description up to when data is complete and judged */
            freshness: components["schemas"]["Freshness"];
        };
        /**
         * Alerts
         * @description Who is told of what, and what was sent
         */
        Alerts: {
            /** @description by what ways messages go out */
            ways: {
                /**
                 * @description mail, short message, webhook
                 * @example mail
                 * @enum {string}
                 */
                channel: "mail" | "short" | "webhook";
                /**
                 * @description what is not set up; '' when messages can go out
                 * @example no mail server is set up (TOPLENS_SMTP_URL)
                 */
                trouble: string;
            }[];
            /** @description rules, in the order of the settings */
            rules: {
                /**
                 * @description name
                 * @example People are being hurt
                 */
                name: string;
                /**
                 * @description what it watches, in words
                 * @example an incident that hurts people, from 60 harm points an hour on
                 */
                words: string;
                /** @description who is told */
                to: string[];
                /**
                 * @description why nobody may be told by it; '' when all its receivers are known
                 * @example Night Desk is no receiver
                 */
                trouble: string;
            }[];
            /** @description receivers */
            receivers: {
                /**
                 * @description name
                 * @example Slots Team
                 */
                name: string;
                /**
                 * @description by what ways, in words
                 * @example mail to slots@toplens.example, quiet from 22:00 to 06:00
                 */
                words: string;
                /**
                 * @description who is on duty now; '' for nobody; null without a rota
                 * @example Noor
                 */
                onDuty: string | null;
                /** @description times of the next week in which nobody is on duty */
                holes: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                }[];
            }[];
            /** @description teams that own something and are no receiver */
            teamsWithout: string[];
            /** @description what was sent, newest first */
            messages: {
                /**
                 * @description identity (UUID)
                 * @example 9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01
                 */
                id: string;
                /**
                 * @description what it tells
                 * @example opened
                 * @enum {string}
                 */
                stage: "opened" | "worse" | "handedOver" | "over" | "digest" | "test" | "handoff" | "account";
                /**
                 * @description its headline
                 * @example Takes 6.5× as long as usual: Pick a slot
                 */
                title: string;
                /**
                 * @description who was told
                 * @example Slots Team
                 */
                receiver: string;
                /**
                 * @description who of them was on duty; '' without a rota
                 * @example Noor
                 */
                person: string;
                /**
                 * @description by what way
                 * @example mail
                 * @enum {string}
                 */
                channel: "mail" | "short" | "webhook";
                /**
                 * @description where it is seen in the interface
                 * @example /incident/7
                 */
                path: string;
                /**
                 * @description when it was written
                 * @example 1772442840000
                 */
                madeMs: number;
                /**
                 * @description when it was delivered; null when it was not so far
                 * @example 1772442844000
                 */
                deliveredMs: number | null;
                /**
                 * @description when it is tried again; null when it is not
                 * @example 1772442900000
                 */
                nextTryMs: number | null;
                /**
                 * @description tries so far
                 * @example 1
                 */
                tries: number;
                /**
                 * @description why the last try failed; '' when none did
                 * @example the mail server said: greeting never received
                 */
                trouble: string;
                /**
                 * @description it is not tried again by itself
                 * @example true
                 */
                isGivenUp: boolean;
            }[];
        };
        /**
         * TriedRule
         * @description How often a rule would have spoken
         */
        TriedRule: {
            /**
             * @description of the last so many days
             * @example 14
             */
            days: number;
            /**
             * @description so often; null where the past does not tell
             * @example 6
             */
            times: number | null;
            /**
             * @description of these, about what hurt 50 people or more
             * @example 5
             */
            rightly: number;
            /**
             * @description incidents that hurt 50 people or more, of which it would not have spoken
             * @example 1
             */
            missed: number;
            /** @description the newest, in words */
            examples: string[];
            /**
             * @description all of it in a sentence
             * @example would have spoken 6 times in 14 days, 5 of them about what hurt 50 people or more; …
             */
            words: string;
        };
        /**
         * AttemptPage
         * @description One attempt with all its spans
         */
        AttemptPage: {
            /**
             * @description identity of the trace, 32 hexadecimal digits; '' or null where it is not kept
             * @example 4bf92f3577b34da6a3ce929d0e0e4736
             */
            traceId: string;
            /**
             * @description identity of its first span, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            spanId: string;
            /** @description the flow */
            flow: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description method and route, screen, or name of the span
                 * @example POST /pick-ups
                 */
                technicalName: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description what it is
                 * @example work
                 * @enum {string}
                 */
                kind: "work" | "background" | "page" | "businessEvent" | "probe";
            };
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description how long it took
             * @example 1840
             */
            durationMs: number;
            /**
             * @description from where it began, in a browser or on a phone where that is told: what the rows are laid out in
             * @example 1960
             */
            wholeMs: number;
            /**
             * @description the person's own device, as its spans tell it; '' where they do not
             * @example Pixel 9 · Android 16
             */
            ranOn: string;
            /**
             * @description what became of the attempt
             * @example onTime
             * @enum {string}
             */
            outcome: "onTime" | "late" | "hung" | "failed";
            /**
             * @description an attempt that takes longer is late; null where nothing is known
             * @example 800
             */
            limitMs: number | null;
            /**
             * @description who set the limit that judges; published: how long people are known to wait
             * @example owner
             * @enum {string}
             */
            limitBy: "owner" | "learned" | "published" | "none";
            /**
             * @description how long it usually takes; null where nothing is known
             * @example 420
             */
            expectedMs: number | null;
            /**
             * @description what failed; '' when nothing did
             * @example GatewayTimeout
             */
            failure: string;
            /**
             * @description a pseudonym, or the person's id where it is unmasked; '' when not told
             * @example person 3f9a-20c1
             */
            person: string;
            /**
             * @description session on a phone that it belongs to, 8 hexadecimal digits; null where none is told
             * @example 00c0ffee
             */
            phoneSession: string | null;
            /**
             * @description ids, messages and lines stand here as they were sent
             * @example true
             */
            isUnmasked: boolean;
            /** @description values */
            values: {
                /**
                 * @description by what attempts are told apart
                 * @example site
                 * @enum {string}
                 */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host" | "device" | "browser" | "system" | "carrier" | "department" | "role" | "station" | "server";
                /**
                 * @description value of the dimension
                 * @example Depot North
                 */
                value: string;
            }[];
            /**
             * @description value completed; null when it carries none
             * @example 42.5
             */
            value: number | null;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description what failed, the one that tells most first */
            failures: {
                /**
                 * @description identity of its first span, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                spanId: string;
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description class of the failure
                 * @example TypeError
                 */
                type: string;
                /**
                 * @description message of the failure
                 * @example connection timed out
                 */
                message: string;
                /**
                 * @description class in which it failed; '' when not told
                 * @example PaymentClient
                 */
                className: string;
                /**
                 * @description function or method; '' when not told
                 * @example pay
                 */
                method: string;
                /**
                 * @description file; '' when not told
                 * @example checkout.js
                 */
                file: string;
                /**
                 * @description line of the place, from 1; 0 when not told
                 * @example 214
                 */
                line: number;
                /**
                 * @description stack trace as it was sent; '' when not told
                 * @example
                 */
                stack: string;
            }[];
            /** @description each component's share of the attempt */
            components: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description its part of the attempt, parallel work shared evenly: all rows add up to the attempt
                 * @example 42000
                 */
                shareUs: number;
                /**
                 * @description share of the attempt's time
                 * @example 0.42
                 */
                share: number;
                /**
                 * @description spans that it has
                 * @example 4
                 */
                spans: number;
                /**
                 * @description spans that failed
                 * @example 1
                 */
                failed: number;
                /**
                 * @description time that an attempt usually spends in it, mean
                 * @example 42000
                 */
                usualUs: number | null;
            }[];
            /** @description rows */
            rows: components["schemas"]["AttemptRow"][];
            /** @description hosts whose clocks were put right */
            clocks: {
                /**
                 * @description name of the host; '' where there is none
                 * @example depot-07
                 */
                host: string;
                /**
                 * @description added to its times
                 * @example 1200
                 */
                offsetUs: number;
            }[];
            /**
             * @description spans that others name as their parent and that never came
             * @example 0
             */
            missing: number;
            /** @description an attempt of the same flow that took as long as usual; null when none is kept */
            usual: {
                /**
                 * @description identity of the trace, 32 hexadecimal digits; '' or null where it is not kept
                 * @example 4bf92f3577b34da6a3ce929d0e0e4736
                 */
                traceId: string;
                /**
                 * @description identity of its first span, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                spanId: string;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description how long it took
                 * @example 1840
                 */
                durationMs: number;
            } | null;
            /** @description lines, in order of time */
            lines: components["schemas"]["LogLine"][];
            /** @description other attempts of the same trace */
            others: {
                /**
                 * @description identity of its first span, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                spanId: string;
                /**
                 * @description name
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description how long it took
                 * @example 1840
                 */
                durationMs: number;
            }[];
        };
        /**
         * AttemptPerson
         * @description Who made an attempt: how much they matter
         */
        AttemptPerson: {
            /**
             * @description when they were first heard of; null where that was not before the attempt, as of data that came later
             * @example 1772442840000
             */
            sinceMs: number | null;
            /** @description the day before the attempt */
            window: components["schemas"]["Window"];
            /**
             * @description their attempts in the window
             * @example 12
             */
            attempts: number;
            /**
             * @description of these late, hung or failed
             * @example 3
             */
            wentWrong: number;
            /**
             * @description value that they completed in the window
             * @example 240.5
             */
            value: number;
            /**
             * @description attempts that completed a value
             * @example 4
             */
            valued: number;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
        };
        /**
         * AttemptRow
         * @description One span of an attempt, or several alike
         */
        AttemptRow: {
            /**
             * @description identity of the span, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            id: string;
            /**
             * @description name of the span
             * @example POST /pick-ups
             */
            name: string;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description name of the host; '' where there is none
             * @example depot-07
             */
            host: string;
            /**
             * @description what was called, as the caller names it; '' for others
             * @example slots-db
             */
            peer: string;
            /**
             * @description statement as it was sent, values left out; '' for others
             * @example SELECT … FROM slot WHERE depot = ?
             */
            statement: string;
            /**
             * @description what failed; '' when nothing did
             * @example GatewayTimeout
             */
            failure: string;
            /**
             * @description steps below the attempt's begin
             * @example 2
             */
            depth: number;
            /**
             * @description from the attempt's begin
             * @example 12000
             */
            fromUs: number;
            /**
             * @description how long it took
             * @example 184000
             */
            durationUs: number;
            /** @description begin and end, in turn, of the parts in which nothing below it runs, from the attempt's begin */
            own: number[];
            /**
             * @description time in which nothing below it runs
             * @example 18000
             */
            ownUs: number;
            /**
             * @description its part of the attempt, parallel work shared evenly: all rows add up to the attempt
             * @example 42000
             */
            shareUs: number;
            /**
             * @description how often
             * @example 42
             */
            calls: number;
            /**
             * @description time in which at least one of these calls ran
             * @example 61000
             */
            callsUs: number;
            /**
             * @description time of all these calls together
             * @example 84000
             */
            callsSumUs: number;
            /**
             * @description the row that stands for this call and others alike; '' for others
             * @example 00f067aa0ba902b7
             */
            foldedInto: string;
            /**
             * @description it never came: others name it as their parent
             * @example true
             */
            isMissing: boolean;
            /**
             * @description it went on after its parent ended
             * @example true
             */
            runsOn: boolean;
        };
        /**
         * Beside
         * @description What else a store was asked while a statement ran
         */
        Beside: {
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description how long it took
             * @example 1840
             */
            durationMs: number;
            /** @description others at the same time */
            others: {
                /**
                 * @description statement as it was sent, values left out; '' for others
                 * @example SELECT … FROM slot WHERE depot = ?
                 */
                statement: string;
                /**
                 * @description how often
                 * @example 42
                 */
                calls: number;
                /**
                 * @description how long it ran while the statement ran
                 * @example 120
                 */
                overlapMs: number;
                /**
                 * @description the longest
                 * @example 4200
                 */
                longestMs: number;
            }[];
        };
        /**
         * Sample
         * @description An attempt to look at
         */
        Sample: {
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description how long it took
             * @example 1840
             */
            durationMs: number;
            /**
             * @description what became of the attempt
             * @example onTime
             * @enum {string}
             */
            outcome: "onTime" | "late" | "hung" | "failed";
            /**
             * @description what failed; '' when nothing did
             * @example GatewayTimeout
             */
            failure: string;
            /**
             * @description identity of the trace, 32 hexadecimal digits; '' or null where it is not kept
             * @example 4bf92f3577b34da6a3ce929d0e0e4736
             */
            traceId: string;
            /**
             * @description identity of its first span, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            spanId: string;
            /**
             * @description a pseudonym: tells persons apart, not who they are; '' when not told
             * @example person 3f9a-20c1
             */
            person: string;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description what it brought; null where it failed or carries no value
             * @example 38
             */
            value: number | null;
        };
        /**
         * BoardLinks
         * @description Pages of a board that open without a login
         */
        BoardLinks: {
            /** @description newest first */
            links: components["schemas"]["SharedLink"][];
        };
        /**
         * BoardView
         * @description A board with what its tiles show now
         */
        BoardView: {
            /** @description what it is */
            board: components["schemas"]["Board"];
            /**
             * @description up to when data is complete
             * @example 1772446480000
             */
            nowMs: number;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /**
             * @description of a link: when it ends; null of a board itself
             * @example 2026-03-09T09:20:00.000Z
             */
            endsAt: string | null;
            /** @description its tiles, in their order */
            tiles: components["schemas"]["TileView"][];
            /** @description up to when data is complete and judged */
            freshness: components["schemas"]["Freshness"];
        };
        /**
         * Boards
         * @description What roles want to see
         */
        Boards: {
            /** @description boards, in the order of the settings */
            boards: components["schemas"]["Board"][];
        };
        /**
         * TileView
         * @description A tile with what it shows now
         */
        TileView: {
            /** @description what it is to show */
            tile: components["schemas"]["BoardTile"];
            /**
             * @description stands over it
             * @example People hurt
             */
            title: string;
            /**
             * @description where it is seen in the interface; '' for a text
             * @example /incident/7
             */
            path: string;
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description why there is nothing to show; '' when there is
             * @example no flow is called “Book a pickup”
             */
            nothing: string;
            /**
             * @description sentence over a list; '' else
             * @example Nobody is being hurt.
             */
            headline: string;
            /** @description incidents, worst first; null where it shows something else, or has nothing to show */
            rows: components["schemas"]["Row"][] | null;
            /** @description one figure; null where it shows something else, or has nothing to show */
            figure: {
                /** @description the figure with its 95 % interval */
                range: components["schemas"]["Interval"];
                /**
                 * @description of how many, in words; '' when that says nothing
                 * @example of 48,210 attempts
                 */
                of: string;
            } | null;
            /** @description a curve; null where it shows something else, or has nothing to show */
            curve: {
                /** @description the series over its usual range */
                chart: components["schemas"]["Chart"];
                /**
                 * @description when its trouble began; null without any
                 * @example 1772442840000
                 */
                onsetMs: number | null;
                /** @description what was changed on its way */
                marks: components["schemas"]["Mark"][];
            } | null;
            /** @description a promise; null where it shows something else, or has nothing to show */
            promise: components["schemas"]["ServiceLevel"] | null;
            /** @description a journey; null where it shows something else, or has nothing to show */
            journey: components["schemas"]["Journey"] | null;
            /** @description what happened, as much as it shows; null where it shows something else, or has nothing to show */
            feed: components["schemas"]["Happened"] | null;
            /** @description page loads by country; null where it shows something else, or has nothing to show */
            pages: components["schemas"]["PageLoads"] | null;
        };
        /**
         * Field
         * @description Attempts of a flow by time and duration, counted
         */
        Field: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /**
             * @description an attempt that takes longer is late; null where nothing is known
             * @example 800
             */
            limitMs: number | null;
            /**
             * @description begin of the first step
             * @example 1772442000000
             */
            startMs: number;
            /**
             * @description length of a step
             * @example 60000
             */
            stepMs: number;
            /**
             * @description how many steps of time
             * @example 60
             */
            columns: number;
            /** @description lower bounds of the rows, shortest first */
            floorsMs: number[];
            /** @description attempts by column, then row */
            counts: number[][];
            /** @description of the counts, those that were late, hung or failed */
            bad: number[][];
        };
        /**
         * FlowCounts
         * @description All that was ever recorded, by flow
         */
        FlowCounts: {
            /** @description flows, by name */
            flows: {
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description method and route, screen, or name of the span
                 * @example POST /pick-ups
                 */
                technicalName: string;
                /**
                 * @description attempts that were begun
                 * @example 1840
                 */
                attempts: number;
                /**
                 * @description attempts that failed
                 * @example 31
                 */
                failed: number;
                /**
                 * @description mean duration; null without any
                 * @example 640
                 */
                meanMs: number;
            }[];
        };
        /**
         * FlowPage
         * @description One flow
         */
        FlowPage: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description the window asked for is longer than single attempts are walked: its last day is shown
             * @example true
             */
            isCut: boolean;
            /** @description its row of the table */
            row: components["schemas"]["FlowRow"];
            /**
             * @description key of its settings
             * @example flow Courier app Log on
             */
            key: string;
            /** @description name of the team */
            team: {
                /**
                 * @description name of the team
                 * @example Slots Team
                 */
                team: string;
                /**
                 * @description why, in words
                 * @example a holiday moved by a week
                 */
                reason: string;
            } | null;
            /** @description what is usual for it */
            normal: {
                /**
                 * @description what the normal is learned from, best first
                 * @example timeOfWeek
                 * @enum {string}
                 */
                basis: "timeOfWeek" | "timeOfWeekWide" | "dayPattern" | "history" | "firstMinutes" | "ownersLimit" | "published" | "none";
                /**
                 * @description attempts that it is learned from
                 * @example 18400
                 */
                samples: number;
                /**
                 * @description days that it is learned from
                 * @example 21
                 */
                days: number;
                /**
                 * @description how long it usually takes; null where nothing is known
                 * @example 420
                 */
                expectedMs: number | null;
                /**
                 * @description limit that is learned from what is usual; null where nothing is known
                 * @example 900
                 */
                learnedLimitMs: number | null;
                /**
                 * @description limit that the owner set; null without one
                 * @example 800
                 */
                ownersLimitMs: number | null;
                /**
                 * @description an attempt that takes longer is late; null where nothing is known
                 * @example 800
                 */
                limitMs: number | null;
                /**
                 * @description who set the limit that judges; published: how long people are known to wait
                 * @example owner
                 * @enum {string}
                 */
                limitBy: "owner" | "learned" | "published" | "none";
                /**
                 * @description usual share of late attempts
                 * @example 0.01
                 */
                lateShare: number;
                /**
                 * @description share of attempts that failed
                 * @example 0.04
                 */
                failedShare: number;
                /** @description sites that are judged by a limit of their own */
                sites: {
                    /**
                     * @description site that the attempt came from; '' when not told
                     * @example Depot North
                     */
                    site: string;
                    /**
                     * @description an attempt that takes longer is late; null where nothing is known
                     * @example 800
                     */
                    limitMs: number;
                    /**
                     * @description usual share of late attempts
                     * @example 0.01
                     */
                    lateShare: number;
                }[];
            };
            /** @description sites that ever came, and those with a limit of their own already */
            sites: string[];
            /** @description limits of single sites as set, also of sites that have not come yet */
            ownersSiteLimits: {
                /**
                 * @description site that the attempt came from; '' when not told
                 * @example Depot North
                 */
                site: string;
                /**
                 * @description an attempt that takes longer is late; null where nothing is known
                 * @example 800
                 */
                limitMs: number;
            }[];
            /** @description what its attempts ask of stores */
            statements: {
                /**
                 * @description attempts that were begun
                 * @example 1840
                 */
                attempts: number;
                /** @description what its attempts ask of stores */
                statements: components["schemas"]["Statement"][];
            };
            /**
             * @description Apdex by the owner's limit, in its usual notation; null without one
             * @example 0.94 [1.0]
             */
            apdexAtOwners: string | null;
            /**
             * @description Apdex by the learned limit, in its usual notation
             * @example 0.91 [0.8]
             */
            apdexAtLearned: string | null;
            /** @description attempts by what became of them */
            outcomes: {
                /**
                 * @description begin of the first step
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description length of a step
                 * @example 60000
                 */
                stepMs: number;
                /** @description attempts that took no longer than the limit */
                onTime: number[];
                /** @description attempts that took longer than the limit */
                late: number[];
                /** @description attempts that took so long that people gave up */
                hung: number[];
                /** @description attempts that failed */
                failed: number[];
            };
            /** @description attempts by duration */
            bands: {
                /**
                 * @description shortest duration of the band; -1: the failed ones, whatever they took
                 * @example 800
                 */
                fromMs: number;
                /**
                 * @description longest duration of the band; null: and longer
                 * @example 1600
                 */
                toMs: number | null;
                /**
                 * @description attempts that were begun
                 * @example 1840
                 */
                attempts: number;
            }[];
            /** @description series to draw, beside what is usual */
            charts: components["schemas"]["Chart"][];
            /** @description releases, on the time axis */
            marks: components["schemas"]["Mark"][];
            /** @description the values of a dimension side by side */
            sides: {
                /**
                 * @description by what attempts are told apart
                 * @example site
                 * @enum {string}
                 */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host" | "device" | "browser" | "system" | "carrier" | "department" | "role" | "station" | "server";
                /** @description the values of a dimension side by side */
                sides: components["schemas"]["Side"][];
            }[];
            /** @description the slowest attempts */
            slowest: components["schemas"]["Sample"][];
            /** @description incidents */
            incidents: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description when it began, told by change-point
                 * @example 1772442840000
                 */
                onsetMs: number;
                /**
                 * @description first moment that is usual again; the newest judged minute while it goes on
                 * @example 1772446440000
                 */
                endMs: number;
                /**
                 * @description goes on now, whatever window is looked at
                 * @example true
                 */
                inTroubleNow: boolean;
            }[];
            /** @description what was changed, newest first */
            changes: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description begin
                 * @example 1772442000000
                 */
                fromMs: number;
                /**
                 * @description who did it
                 * @example Dana
                 */
                who: string;
                /**
                 * @description in words
                 * @example
                 */
                words: string;
                /**
                 * @description number of the change that it takes back; null when it takes back none
                 * @example 3
                 */
                undoes: number | null;
            }[];
        };
        /**
         * FlowRow
         * @description One flow of the table
         */
        FlowRow: {
            /**
             * @description number
             * @example 7
             */
            id: number;
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description method and route, screen, or name of the span
             * @example POST /pick-ups
             */
            technicalName: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description what it is
             * @example work
             * @enum {string}
             */
            kind: "work" | "background" | "page" | "businessEvent" | "probe";
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string | null;
            /**
             * @description how bad it is; learning: not known yet what is usual
             * @example calm
             * @enum {string}
             */
            level: "calm" | "strained" | "hurting" | "broken" | "learning" | "noData";
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /**
             * @description attempts a minute
             * @example 30
             */
            perMinute: number;
            /**
             * @description mean duration; null without any
             * @example 640
             */
            meanMs: number | null;
            /**
             * @description half took less; null without any
             * @example 420
             */
            medianMs: number | null;
            /**
             * @description 95 of 100 took less; null without any
             * @example 1840
             */
            p95Ms: number | null;
            /**
             * @description the longest; null without attempts
             * @example 8400
             */
            maxMs: number | null;
            /**
             * @description share of attempts that failed
             * @example 0.04
             */
            failedShare: number | null;
            /**
             * @description Apdex by the limit in force, 0 to 1 (Apdex Alliance, Technical Specification 1.1); null without attempts or a limit
             * @example 0.87
             */
            apdex: number | null;
            /**
             * @description Apdex in its usual notation, with its threshold in seconds
             * @example 0.87 [0.8]
             */
            apdexWords: string | null;
            /**
             * @description an attempt that takes longer is late; null where nothing is known
             * @example 800
             */
            limitMs: number | null;
            /**
             * @description who set the limit that judges; published: how long people are known to wait
             * @example owner
             * @enum {string}
             */
            limitBy: "owner" | "learned" | "published" | "none";
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number | null;
            /**
             * @description people who met a late, hung or failed attempt; null where not counted
             * @example 31
             */
            hurt: number | null;
            /**
             * @description share of the attempts' whole time; parallel calls add up
             * @example 0.3
             */
            shareOfTime: number | null;
            /**
             * @description what harm in this flow is multiplied by
             * @example 1
             */
            importance: number;
            /** @description the same figures of the window that is compared with; null when none is */
            before: {
                /**
                 * @description attempts that were begun
                 * @example 1840
                 */
                attempts: number;
                /**
                 * @description half took less; null without any
                 * @example 420
                 */
                medianMs: number | null;
                /**
                 * @description share of attempts that failed
                 * @example 0.04
                 */
                failedShare: number;
            } | null;
            /** @description the measure in trouble, for a small chart */
            spark: components["schemas"]["Series"];
            /** @description what was changed on its way, on the time axis of the small chart */
            marks: components["schemas"]["Mark"][];
        };
        /**
         * FlowTable
         * @description All flows with what their attempts came to
         */
        FlowTable: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description rows */
            rows: components["schemas"]["FlowRow"][];
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /**
             * @description the other window, in words; null when none is
             * @example last Monday
             */
            comparedWith: string | null;
            /** @description what the focus leaves; null when nothing is narrowed, or the window is long */
            remaining: components["schemas"]["Remaining"] | null;
            /** @description names of all applications, in order of the alphabet */
            applications: string[];
            /** @description up to when data is complete and judged */
            freshness: components["schemas"]["Freshness"];
        };
        /**
         * Path
         * @description The components that a flow goes through
         */
        Path: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description traces that were looked at
             * @example 200
             */
            traces: number;
            /** @description calls between components */
            hops: components["schemas"]["Hop"][];
            /** @description mean time of an attempt by layer, step by step; 0 where no attempt was looked at */
            layers: {
                /**
                 * @description begin of the first step
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description length of a step
                 * @example 60000
                 */
                stepMs: number;
                /** @description attempts that were looked at, step by step */
                attempts: number[];
                /** @description mean time by layer, milliseconds a step */
                means: {
                    /**
                     * @description where the time is spent
                     * @example device
                     * @enum {string}
                     */
                    layer: "device" | "ownCode" | "network" | "stores" | "outside";
                    /** @description a step each */
                    ms: number[];
                }[];
            };
            /** @description errors that come with slow attempts more often than with others, beyond chance */
            slowErrors: {
                /**
                 * @description component and type of the error
                 * @example payments: CardTimeout
                 */
                error: string;
                /**
                 * @description slow attempts that met it
                 * @example 38
                 */
                slow: number;
                /**
                 * @description slow attempts that were looked at
                 * @example 40
                 */
                ofSlow: number;
                /**
                 * @description other attempts that met it
                 * @example 2
                 */
                others: number;
                /**
                 * @description other attempts that were looked at
                 * @example 160
                 */
                ofOthers: number;
                /**
                 * @description how many times as often slow attempts meet it; null: others never do
                 * @example 76
                 */
                ratio: number | null;
                /**
                 * @description lower end of its 95 % interval
                 * @example 18
                 */
                low: number;
                /**
                 * @description upper end of it; null: without bound
                 * @example 310
                 */
                high: number | null;
                /**
                 * @description share of the time beyond the usual that slow attempts with it took
                 * @example 0.84
                 */
                carried: number;
            }[];
        };
        /**
         * Region
         * @description Attempts of a part of the field
         */
        Region: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /**
             * @description attempts that were late, hung or failed
             * @example 212
             */
            bad: number;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description attempts to look at */
            samples: components["schemas"]["Sample"][];
        };
        /**
         * Side
         * @description One value of a dimension beside the others
         */
        Side: {
            /**
             * @description value of the dimension
             * @example Depot North
             */
            value: string;
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /**
             * @description share of attempts that were late, hung or failed
             * @example 0.12
             */
            badShare: number;
            /**
             * @description half took less; null without any
             * @example 420
             */
            medianMs: number | null;
            /**
             * @description 95 of 100 took less; null without any
             * @example 1840
             */
            p95Ms: number | null;
            /**
             * @description chance that an attempt here is slower than one of all; 0.5 is the norm; null with too few
             * @example 0.71
             */
            ridit: number | null;
            /**
             * @description standard error of the ridit; null with too few
             * @example 0.02
             */
            riditError: number | null;
            /**
             * @description it is worse here than chance explains
             * @example true
             */
            isOdd: boolean;
        };
        /**
         * SlowestFlows
         * @description The slowest flows, each with its slowest attempts
         */
        SlowestFlows: {
            /** @description what was looked at: of a long window its last day */
            window: components["schemas"]["Window"];
            /** @description by their 95th percentile, the longest first; those with too few attempts are left out */
            flows: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description 95 of 100 took less
                 * @example 1840
                 */
                p95Ms: number;
                /**
                 * @description an attempt that takes longer is late; null where nothing is known
                 * @example 800
                 */
                limitMs: number | null;
                /** @description the slowest attempts that did not fail */
                samples: components["schemas"]["Sample"][];
            }[];
        };
        /**
         * Statement
         * @description What a flow's attempts ask of a store
         */
        Statement: {
            /**
             * @description statement as it was sent, values left out; '' for others
             * @example SELECT … FROM slot WHERE depot = ?
             */
            statement: string;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description how often
             * @example 42
             */
            calls: number;
            /**
             * @description calls in one attempt, mean
             * @example 3.2
             */
            callsAnAttempt: number;
            /**
             * @description share of attempts that send it at all
             * @example 0.9
             */
            shareOfAttempts: number;
            /**
             * @description share of the attempts' whole time; parallel calls add up
             * @example 0.3
             */
            shareOfTime: number;
            /**
             * @description time of all calls together
             * @example 18400
             */
            totalMs: number;
            /**
             * @description the longest
             * @example 4200
             */
            longestMs: number;
            /**
             * @description calls that failed
             * @example 4
             */
            failed: number;
        };
        /**
         * Steps
         * @description Steps inside a flow, each against its own limit
         */
        Steps: {
            /** @description what was looked at: of a long window its last day */
            window: components["schemas"]["Window"];
            /**
             * @description attempts that were looked at
             * @example 200
             */
            attempts: number;
            /**
             * @description attempts of the same time of the day before that it is compared with
             * @example 200
             */
            usualAttempts: number;
            /** @description limits as set, also of steps that nobody walked */
            limits: {
                /**
                 * @description component and operation
                 * @example payments POST /authorise
                 */
                step: string;
                /**
                 * @description limit that the owner set
                 * @example 800
                 */
                limitMs: number;
            }[];
            /** @description by time spent in them, the most first */
            steps: {
                /**
                 * @description name of the component (service.name)
                 * @example payments
                 */
                component: string;
                /**
                 * @description name of the span
                 * @example POST /authorise
                 */
                operation: string;
                /**
                 * @description of the attempts, those that went through it
                 * @example 200
                 */
                attempts: number;
                /**
                 * @description calls in each of these, mean
                 * @example 1
                 */
                callsAnAttempt: number;
                /**
                 * @description half spent less in it; of an attempt all its calls together
                 * @example 420
                 */
                medianMs: number;
                /**
                 * @description 95 of 100 spent less in it
                 * @example 900
                 */
                p95Ms: number;
                /**
                 * @description attempts in which a call of it failed
                 * @example 3
                 */
                failed: number;
                /**
                 * @description median the day before; null with too few
                 * @example 400
                 */
                usualMs: number | null;
                /**
                 * @description upper bound of what was usual the day before; null with too few
                 * @example 800
                 */
                learnedLimitMs: number | null;
                /**
                 * @description limit that the owner set, which judges; null without one
                 * @example 600
                 */
                ownersLimitMs: number | null;
                /**
                 * @description attempts that spent more in it than the limit that judges
                 * @example 12
                 */
                over: number;
                /** @description their share, with its 95 % interval (Wilson); null without a limit */
                overShare: components["schemas"]["Interval"] | null;
            }[];
        };
        /**
         * Journey
         * @description A way that people walk through flows
         */
        Journey: {
            /**
             * @description numbers of its flows, joined by hyphens
             * @example 3-5-9
             */
            id: string;
            /**
             * @description key of its settings
             * @example flow Courier app Log on
             */
            key: string;
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description name, as people gave it or made of its first and last step
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description people gave it its name
             * @example true
             */
            isNamed: boolean;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /**
             * @description one of so many sessions was looked at; counts are of all
             * @example 1
             */
            every: number;
            /**
             * @description people who made the first step
             * @example 900
             */
            setOut: number;
            /**
             * @description people who came to the last step
             * @example 410
             */
            completed: number;
            /**
             * @description value
             * @example 1
             */
            value: number;
            /**
             * @description value of one completion, mean; null where none is told
             * @example 38
             */
            valueEach: number | null;
            /**
             * @description people who left beyond the usual at bad steps
             * @example 48
             */
            beyondUsual: number;
            /**
             * @description value of those who left beyond the usual
             * @example 1840
             */
            lost: number;
            /** @description steps, first one first */
            steps: components["schemas"]["JourneyStep"][];
            /** @description what mending each bad step brings, upstream first */
            repairs: {
                /**
                 * @description step, from 0
                 * @example 2
                 */
                step: number;
                /**
                 * @description the flow
                 * @example 1
                 */
                flow: number;
                /**
                 * @description more people who go on from here
                 * @example 178
                 */
                comeBack: number;
                /**
                 * @description of them, lost at a later bad step until that is fixed too
                 * @example 24
                 */
                hidden: number;
                /**
                 * @description more people who come to the last step
                 * @example 154
                 */
                completions: number;
                /**
                 * @description value
                 * @example 1
                 */
                value: number;
            }[];
        };
        /**
         * JourneyStep
         * @description One step of a journey
         */
        JourneyStep: {
            /**
             * @description number of the flow
             * @example 3
             */
            flow: number;
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /**
             * @description sessions
             * @example 900
             */
            sessions: number;
            /**
             * @description sessions that went on to the next step
             * @example 810
             */
            wentOn: number;
            /**
             * @description sessions of which it cannot be told yet
             * @example 12
             */
            undecided: number;
            /**
             * @description people who left here
             * @example 31
             */
            left: number;
            /**
             * @description sessions that met late, hung or failed attempts here
             * @example 96
             */
            exposed: number;
            /**
             * @description sessions that usually meet late, hung or failed attempts here
             * @example 8
             */
            usuallyExposed: number;
            /** @description people who left because of something bad, beyond the usual */
            beyondUsual: components["schemas"]["Interval"];
            /** @description value lost, units of currency */
            lost: components["schemas"]["Interval"];
            /**
             * @description share of people who leave here as usual; null where nothing is known
             * @example 0.08
             */
            usualLeaving: number | null;
            /**
             * @description people who left beyond the usual and met something bad before; null where it cannot be told
             * @example 31
             */
            attributable: number | null;
            /**
             * @description more people left than chance explains
             * @example true
             */
            isBad: boolean;
            /**
             * @description half took less; null without any
             * @example 420
             */
            medianMs: number | null;
            /**
             * @description share of attempts that failed
             * @example 0.04
             */
            failedShare: number | null;
            /** @description numbers of the incidents that this step is a part of */
            incidents: number[];
        };
        /**
         * JourneyStepPage
         * @description Sessions at one step of a journey
         */
        JourneyStepPage: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description name of the journey
             * @example Book a pick-up
             */
            journey: string;
            /**
             * @description step, from 1
             * @example 2
             */
            step: number;
            /**
             * @description steps of the journey
             * @example 4
             */
            steps: number;
            /**
             * @description number of the flow
             * @example 3
             */
            flow: number;
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description which sessions
             * @example came
             * @enum {string}
             */
            of: "came" | "wentOn" | "undecided" | "left" | "leftAfterTrouble" | "metTrouble";
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /**
             * @description one of so many sessions was looked at; counts are of all
             * @example 1
             */
            every: number;
            /**
             * @description sessions, as the journey counts them
             * @example 62
             */
            sessions: number;
            /** @description people who left because of something bad, beyond the usual; null where the step is not bad */
            beyondUsual: components["schemas"]["Interval"] | null;
            /** @description of each session its worst attempt at this step; those with the worst first, at most sixty sessions */
            samples: components["schemas"]["Sample"][];
        };
        /**
         * Journeys
         * @description All journeys of a window
         */
        Journeys: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description ways that people walk, the busiest first */
            journeys: components["schemas"]["Journey"][];
        };
        /**
         * Money
         * @description What all flows with value bring in
         */
        Money: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /**
             * @description the view is narrowed over more than eight hours: single days are not read so far, these figures are of all
             * @example true
             */
            isNarrowed: boolean;
            /** @description flows that carry value */
            flows: components["schemas"]["Revenue"][];
        };
        /**
         * MoneyFigure
         * @description One quantity against the same hours of like days
         */
        MoneyFigure: {
            /**
             * @description value in the window; null where there is none
             * @example 1
             */
            value: number | null;
            /**
             * @description what is usual; null where nothing is known
             * @example 1
             */
            expected: number | null;
            /**
             * @description lower end of the range in which 95 of 100 like days lie; null where nothing is known
             * @example 1
             */
            low: number | null;
            /**
             * @description upper end of the range in which 95 of 100 like days lie; null where nothing is known
             * @example 1
             */
            high: number | null;
            /**
             * @description how it is against the usual
             * @example usual
             * @enum {string}
             */
            verdict: "usual" | "below" | "above" | "notKnown";
        };
        /**
         * Revenue
         * @description What a flow brings in
         */
        Revenue: {
            /**
             * @description number of the flow
             * @example 3
             */
            flow: number;
            /**
             * @description what it is
             * @example work
             * @enum {string}
             */
            kind: "work" | "background" | "page" | "businessEvent" | "probe";
            /**
             * @description name
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description the step that its way begins with; null when no way is known
             * @example
             */
            start: string | null;
            /**
             * @description the way: numbers of its flows, joined by hyphens; null when no way is known
             * @example 3-5-9
             */
            journey: string | null;
            /**
             * @description like days that it is compared with
             * @example 8
             */
            days: number;
            /** @description value lost, units of currency */
            lost: components["schemas"]["Interval"];
            /** @description orders completed */
            orders: components["schemas"]["MoneyFigure"];
            /** @description value completed */
            value: components["schemas"]["MoneyFigure"];
            /** @description value of an order */
            size: components["schemas"]["MoneyFigure"];
            /** @description orders for each start of the way */
            conversion: components["schemas"]["MoneyFigure"];
        };
        /**
         * Component
         * @description A component: who calls it, whom it calls, what went wrong in it
         */
        Component: {
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            name: string;
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description the time before, that it is compared with */
            before: components["schemas"]["Window"];
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string | null;
            /**
             * @description traces that were looked at
             * @example 200
             */
            traces: number;
            /**
             * @description attempts that were begun
             * @example 1840
             */
            attempts: number;
            /** @description components that call it */
            callers: components["schemas"]["Hop"][];
            /** @description components that it calls */
            callees: components["schemas"]["Hop"][];
            /** @description names of its hosts */
            hosts: string[];
            /** @description other components on its hosts */
            neighbours: {
                /**
                 * @description name of another component (service.name)
                 * @example labels
                 */
                component: string;
                /**
                 * @description name of its application
                 * @example Sender Portal
                 */
                application: string;
                /** @description hosts that both run on */
                hosts: string[];
            }[];
            /** @description measured quantities of its hosts */
            figures: {
                /**
                 * @description name of the measured quantity
                 * @example cpu
                 * @enum {string}
                 */
                figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
                /** @description the hosts, those not as usual first */
                hosts: components["schemas"]["HostFigure"][];
            }[];
            /** @description flows, by name */
            flows: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description how bad it is; learning: not known yet what is usual
                 * @example calm
                 * @enum {string}
                 */
                level: "calm" | "strained" | "hurting" | "broken" | "learning" | "noData";
            }[];
            /** @description incidents */
            incidents: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description headline of the incident
                 * @example Fails for 24 %, usually 0.4 %: Book a pick-up
                 */
                title: string;
                /**
                 * @description when it began, told by change-point
                 * @example 1772442840000
                 */
                onsetMs: number;
                /**
                 * @description goes on now, whatever window is looked at
                 * @example true
                 */
                inTroubleNow: boolean;
            }[];
            /** @description what was changed, newest first */
            changes: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description in words
                 * @example
                 */
                words: string;
            }[];
        };
        /**
         * EarlyWarnings
         * @description What is not as usual on hosts, and flows that answer too quickly
         */
        EarlyWarnings: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description what is not as usual: probes, flows, silent hosts, what is full, what is raised */
            warnings: components["schemas"]["PartWarning"][];
        };
        /**
         * Estate
         * @description Everything that runs, at the end of a window
         */
        Estate: {
            /** @description the end of the window, which is compared */
            window: components["schemas"]["Window"];
            /** @description the longer time before it */
            before: components["schemas"]["Window"];
            /** @description the same hours of earlier days, those that are known; empty while none is */
            usual: components["schemas"]["Window"][];
            /** @description parts */
            parts: components["schemas"]["RunningPart"][];
        };
        /**
         * Hop
         * @description Calls from one component to another
         */
        Hop: {
            /**
             * @description the component that calls; '' for what begins a trace
             * @example courier-gateway
             */
            from: string;
            /**
             * @description the component that is called
             * @example slots
             */
            to: string;
            /**
             * @description how often
             * @example 42
             */
            calls: number;
            /**
             * @description calls that failed
             * @example 4
             */
            failed: number;
            /**
             * @description mean duration; null without any
             * @example 640
             */
            meanMs: number;
            /**
             * @description the longest
             * @example 4200
             */
            longestMs: number;
            /**
             * @description traces that make the call
             * @example 180
             */
            traces: number;
            /**
             * @description share of the traces that make the call
             * @example 0.9
             */
            shareOfTraces: number;
            /**
             * @description steps below the begin, mean
             * @example 2
             */
            depth: number;
        };
        /**
         * HostFigure
         * @description One measured quantity of a host or process, against the time before
         */
        HostFigure: {
            /**
             * @description name of the measured quantity
             * @example cpu
             * @enum {string}
             */
            figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
            /**
             * @description name of the host; '' where there is none
             * @example depot-07
             */
            host: string;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description how it is against the usual
             * @example usual
             * @enum {string}
             */
            verdict: "usual" | "raised" | "lowered" | "full" | "unknown";
            /**
             * @description median of the time before, in the figure's unit; null when too little came
             * @example 1
             */
            usual: number | null;
            /**
             * @description median while it went on; null when nothing came
             * @example 1
             */
            now: number | null;
            /**
             * @description highest value in the window; null when none came
             * @example 1
             */
            highest: number | null;
            /** @description values, minute by minute */
            points: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description in the figure's unit: shares from 0 to 1, milliseconds, bytes a second, counts
                 * @example 1
                 */
                value: number;
            }[];
        };
        /**
         * Hosts
         * @description Hosts, processes and runtimes while something went on
         */
        Hosts: {
            /** @description while it went on */
            now: components["schemas"]["Window"];
            /** @description the time before, that it is compared with */
            before: components["schemas"]["Window"];
            /** @description a line a figure, what is left over first */
            lines: {
                /**
                 * @description name of the measured quantity
                 * @example cpu
                 * @enum {string}
                 */
                figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
                /**
                 * @description in words
                 * @example
                 */
                words: string;
                /**
                 * @description it is not as usual, so it may be the cause
                 * @example true
                 */
                isLeftOver: boolean;
                /**
                 * @description hosts that were looked at
                 * @example 4
                 */
                looked: number;
                /** @description what is not as usual */
                odd: components["schemas"]["HostFigure"][];
            }[];
            /** @description processes that began anew */
            restarts: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description name of the host; '' where there is none
                 * @example depot-07
                 */
                host: string;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
            }[];
            /** @description what may be tried, with the evidence for it */
            advice: {
                /**
                 * @description in words
                 * @example
                 */
                words: string;
                /**
                 * @description what the advice rests on
                 * @example swap rose from 0 to 1.2 GB
                 */
                evidence: string;
            }[];
            /**
             * @description figures of which too little was told
             * @example 2
             */
            unknown: number;
            /** @description what was left out since it belongs to something else, in sentences */
            leftOut: string[];
        };
        /**
         * PartWarning
         * @description What is not as usual, and nobody may feel yet
         */
        PartWarning: {
            /**
             * @description a probe is off that nobody may feel yet, a flow answers in next to no time, one of several hosts is silent, nothing is left of something, more than usual
             * @example probe
             * @enum {string}
             */
            kind: "probe" | "empty" | "replica" | "full" | "raised";
            /**
             * @description number of the flow; null where it is no flow
             * @example 7
             */
            flow: number | null;
            /**
             * @description name of the component (service.name); '' for the host as a whole, or a flow
             * @example addresses
             */
            component: string;
            /**
             * @description name of the host; '' where there is none
             * @example north-2
             */
            host: string;
            /** @description of a probe; null else */
            probe: {
                /**
                 * @description name
                 * @example Depot sign-in
                 */
                name: string;
                /**
                 * @description where it is run from
                 * @example Brackwater
                 */
                site: string;
            } | null;
            /**
             * @description name of the team; null when no rule names one
             * @example Portal
             */
            team: string | null;
            /**
             * @description since when; null when that is not known
             * @example 1772442840000
             */
            sinceMs: number | null;
            /**
             * @description what is not as usual
             * @example Silent for 3.2 h: addresses on north-2
             */
            title: string;
            /**
             * @description what may come of it, in words
             * @example One host carries all of it now.
             */
            mayBecome: string;
        };
        /**
         * RunningPart
         * @description A component on a host, or a store
         */
        RunningPart: {
            /**
             * @description what it is
             * @example service
             * @enum {string}
             */
            kind: "service" | "store" | "outside";
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description name of the host; '' where there is none
             * @example depot-07
             */
            host: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description zone that it runs in; '' when not reported
             * @example north
             */
            region: string;
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string;
            /**
             * @description version of the component; '' when not told
             * @example 4.18.0
             */
            version: string;
            /**
             * @description how bad it is
             * @example calm
             * @enum {string}
             */
            level: "calm" | "strained" | "hurting" | "broken" | "silent";
            /**
             * @description mean duration against what is usual, or where that is not known against the time just before; null when either is not known
             * @example 1.4
             */
            slowness: number | null;
            /**
             * @description earlier days are known, and judge; else the time just before does
             * @example true
             */
            isUsualKnown: boolean;
            /**
             * @description something changed against the time just before
             * @example true
             */
            isSudden: boolean;
            /**
             * @description attempts a minute
             * @example 84
             */
            attemptsPerMinute: number;
            /**
             * @description attempts a minute in the time just before
             * @example 88
             */
            beforePerMinute: number;
            /**
             * @description attempts a minute in the same hours of earlier days; null without any
             * @example 90
             */
            usualPerMinute: number | null;
            /**
             * @description share of attempts that failed; null without attempts
             * @example 0.02
             */
            failing: number | null;
            /** @description what is not as usual or changed suddenly, in words */
            changes: string[];
            /** @description measured quantities of its host or process that are not as usual, in words */
            figures: string[];
        };
        /**
         * LogLine
         * @description A line of a log
         */
        LogLine: {
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description name of the host; '' where there is none
             * @example depot-07
             */
            host: string;
            /**
             * @description severity in a word; '' when not told
             * @example error
             */
            severity: string;
            /**
             * @description text of the line
             * @example payment declined: gateway timed out after 30 s
             */
            body: string;
            /**
             * @description identity of the trace, 32 hexadecimal digits; '' or null where it is not kept
             * @example 4bf92f3577b34da6a3ce929d0e0e4736
             */
            traceId: string | null;
            /**
             * @description identity of its first span, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            spanId: string | null;
        };
        /**
         * LogPattern
         * @description Lines of one pattern, against the hours before
         */
        LogPattern: {
            /**
             * @description the pattern; what differs is starred
             * @example payment declined: * timed out after * s
             */
            text: string;
            /**
             * @description lines while it went on
             * @example 210
             */
            now: number;
            /**
             * @description lines in the hours before
             * @example 12
             */
            before: number;
            /**
             * @description lines a minute while it went on
             * @example 7
             */
            nowRate: number;
            /**
             * @description lines a minute in the hours before
             * @example 0.4
             */
            usualRate: number;
            /**
             * @description it never came in the hours before
             * @example true
             */
            isNew: boolean;
            /**
             * @description severity in a word; '' when not told
             * @example error
             */
            severity: string;
            /**
             * @description when it came first; null when not in the window
             * @example 1772442840000
             */
            firstMs: number | null;
            /** @description names of components */
            components: string[];
            /** @description attempts to look at */
            samples: components["schemas"]["LogLine"][];
        };
        /**
         * LogPatterns
         * @description Lines of an incident's components brought to patterns
         */
        LogPatterns: {
            /** @description names of components */
            components: string[];
            /** @description while it went on */
            now: components["schemas"]["Window"];
            /** @description the time before, that it is compared with */
            before: components["schemas"]["Window"];
            /** @description patterns that come far more often than before */
            surging: components["schemas"]["LogPattern"][];
            /** @description patterns that hardly ever come */
            rare: components["schemas"]["LogPattern"][];
            /** @description patterns that came before and come no more */
            gone: components["schemas"]["LogPattern"][];
            /** @description patterns that come as often as before */
            usual: components["schemas"]["LogPattern"][];
            /**
             * @description lines while it went on
             * @example 2210
             */
            linesNow: number;
            /**
             * @description lines in the hours before
             * @example 1840
             */
            linesBefore: number;
            /**
             * @description share of the stored ones that was read: counts are of these
             * @example 1
             */
            kept: number;
            /** @description what was left out since it belongs to something else, in sentences */
            leftOut: string[];
        };
        /**
         * ListedLoad
         * @description A view as it is listed
         */
        ListedLoad: {
            /**
             * @description identity of the view, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            view: string;
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description name of the page
             * @example /pick-up
             */
            page: string;
            /**
             * @description country, two letters of ISO 3166
             * @example NL
             */
            country: string;
            /**
             * @description browser and its major version
             * @example Firefox 140
             */
            browser: string;
            /**
             * @description from navigation to the end of loading; null when not told
             * @example 2840
             */
            loadMs: number | null;
            /**
             * @description largest contentful paint; null when not told
             * @example 2140
             */
            lcpMs: number | null;
            /**
             * @description errors of scripts
             * @example 3
             */
            errors: number;
            /**
             * @description resources that did not come
             * @example 1
             */
            missing: number;
        };
        /**
         * PageGroup
         * @description Views of one page, country or the like
         */
        PageGroup: {
            /**
             * @description page, country or the like
             * @example /pick-up
             */
            name: string;
            /**
             * @description views of pages
             * @example 1840
             */
            views: number;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /**
             * @description loads of whole pages
             * @example 1200
             */
            loads: number;
            /** @description mean of each part of a load: redirect, cache, lookup, connect, tls, waiting, transfer, dom, scripts, resources, handlers */
            parts: number[];
            /**
             * @description mean duration; null without any
             * @example 640
             */
            meanMs: number | null;
            /**
             * @description half took less; null without any
             * @example 420
             */
            medianMs: number | null;
            /**
             * @description time waited by all together
             * @example 1840000
             */
            weightMs: number;
            /**
             * @description share of all time waited
             * @example 0.3
             */
            shareOfWeight: number;
            /** @description Web Vitals */
            vitals: {
                /** @description time to first byte (Web Vitals) */
                ttfb: components["schemas"]["Vital"] | null;
                /** @description first contentful paint (Web Vitals) */
                fcp: components["schemas"]["Vital"] | null;
                /** @description largest contentful paint (Web Vitals) */
                lcp: components["schemas"]["Vital"] | null;
                /** @description interaction to next paint (Web Vitals) */
                inp: components["schemas"]["Vital"] | null;
                /** @description cumulative layout shift (Web Vitals) */
                cls: components["schemas"]["Vital"] | null;
            };
            /**
             * @description interactions with the page
             * @example 4
             */
            interactions: number;
            /**
             * @description errors of scripts
             * @example 3
             */
            errors: number;
            /**
             * @description share of views with an error of a script
             * @example 0.03
             */
            shareWithErrors: number;
            /**
             * @description share of views on which something did not come
             * @example 0.02
             */
            shareMissing: number;
        };
        /**
         * PageLoad
         * @description One view of one page, with all that it fetched
         */
        PageLoad: {
            /**
             * @description identity of the view, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            view: string;
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description name of the page
             * @example /pick-up
             */
            page: string;
            /**
             * @description country, two letters of ISO 3166
             * @example NL
             */
            country: string;
            /**
             * @description browser and its major version
             * @example Firefox 140
             */
            browser: string;
            /**
             * @description from navigation to the end of loading; null when not told
             * @example 2840
             */
            loadMs: number | null;
            /**
             * @description largest contentful paint; null when not told
             * @example 2140
             */
            lcpMs: number | null;
            /**
             * @description errors of scripts
             * @example 3
             */
            errors: number;
            /**
             * @description resources that did not come
             * @example 1
             */
            missing: number;
            /**
             * @description what it is
             * @example load
             * @enum {string}
             */
            kind: "load" | "route" | "frame";
            /**
             * @description path as the browser asked for it
             * @example /pick-up/4711
             */
            path: string;
            /**
             * @description name of the host; '' where there is none
             * @example depot-07
             */
            host: string;
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description version of the component; '' when not told
             * @example 4.18.0
             */
            version: string;
            /**
             * @description operating system
             * @example Android 16
             */
            system: string;
            /**
             * @description kind of connection, as the browser tells it
             * @example 4g
             */
            connection: string;
            /**
             * @description tier of the customer; '' when not told
             * @example business
             */
            tier: string;
            /** @description each part of the load: redirect, cache, lookup, connect, tls, waiting, transfer, dom, scripts, resources, handlers; null when not told */
            parts: number[] | null;
            /** @description Web Vitals */
            vitals: {
                /**
                 * @description time to first byte (Web Vitals)
                 * @example 1
                 */
                ttfb: number | null;
                /**
                 * @description first contentful paint (Web Vitals)
                 * @example 1
                 */
                fcp: number | null;
                /**
                 * @description largest contentful paint (Web Vitals)
                 * @example 1
                 */
                lcp: number | null;
                /**
                 * @description interaction to next paint (Web Vitals)
                 * @example 1
                 */
                inp: number | null;
                /**
                 * @description cumulative layout shift (Web Vitals)
                 * @example 1
                 */
                cls: number | null;
            };
            /**
             * @description interactions with the page
             * @example 4
             */
            interactions: number;
            /** @description what the page fetched, in order */
            resources: {
                /**
                 * @description address, without what stands behind a question mark
                 * @example https://shop.example/app.js
                 */
                url: string;
                /**
                 * @description name of the host; '' where there is none
                 * @example depot-07
                 */
                host: string;
                /**
                 * @description what fetched it, as the browser tells it
                 * @example script
                 */
                type: string;
                /**
                 * @description from the begin of navigation
                 * @example 120
                 */
                startMs: number;
                /**
                 * @description how long it took
                 * @example 1840
                 */
                durationMs: number;
                /**
                 * @description size
                 * @example 48210
                 */
                bytes: number;
                /**
                 * @description it did not come
                 * @example true
                 */
                missing: boolean;
                /**
                 * @description comes from a host that is not the page's own
                 * @example true
                 */
                isThirdParty: boolean;
                /** @description the attempt at the server's side; null when its spans are not stored */
                attempt: {
                    /**
                     * @description identity of the trace, 32 hexadecimal digits
                     * @example 4bf92f3577b34da6a3ce929d0e0e4736
                     */
                    traceId: string;
                    /**
                     * @description identity of its first span, 16 hexadecimal digits
                     * @example 00f067aa0ba902b7
                     */
                    spanId: string;
                } | null;
            }[];
            /**
             * @description resources beyond those that are listed
             * @example 0
             */
            moreResources: number;
            /** @description errors of its scripts */
            scriptErrors: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description class of the failure
                 * @example TypeError
                 */
                type: string;
                /**
                 * @description message of the failure
                 * @example connection timed out
                 */
                message: string;
                /** @description places of the stack, innermost first */
                frames: components["schemas"]["StackFrame"][];
                /**
                 * @description the stack was read through a source map
                 * @example true
                 */
                isMapped: boolean;
            }[];
            /** @description the attempt at the server's side; null when its spans are not stored */
            attempt: {
                /**
                 * @description identity of the trace, 32 hexadecimal digits
                 * @example 4bf92f3577b34da6a3ce929d0e0e4736
                 */
                traceId: string;
                /**
                 * @description identity of its first span, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                spanId: string;
            } | null;
        };
        /**
         * PageLoadOf
         * @description The view that a trace began in
         */
        PageLoadOf: {
            /**
             * @description identity of the view, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            view: string | null;
        };
        /**
         * PageLoads
         * @description Page loads of a window
         */
        PageLoads: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description what the groups are told apart by
             * @example page
             * @enum {string}
             */
            by: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
            /**
             * @description share of the stored ones that was read: counts are of these
             * @example 1
             */
            kept: number;
            /** @description views by kind */
            kinds: {
                /**
                 * @description loads of whole pages
                 * @example 1200
                 */
                load: number;
                /**
                 * @description moves within a page
                 * @example 420
                 */
                route: number;
                /**
                 * @description pages within pages
                 * @example 12
                 */
                frame: number;
            };
            /** @description all views of the window as one group; null when there are none */
            all: components["schemas"]["PageGroup"] | null;
            /** @description groups, heaviest first */
            groups: components["schemas"]["PageGroup"][];
            /** @description pages within pages, by page */
            frames: components["schemas"]["PageGroup"][];
            /**
             * @description number of the flow of loads of this page; null when several or none are looked at
             * @example 3
             */
            flow: number | null;
            /** @description 75th percentile of each vital, and mean of each part of a load, over time */
            trend: {
                /**
                 * @description begin of the first step
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description length of a step
                 * @example 60000
                 */
                stepMs: number;
                /** @description Web Vitals */
                vitals: {
                    /** @description time to first byte (Web Vitals) */
                    ttfb: (number | null)[];
                    /** @description first contentful paint (Web Vitals) */
                    fcp: (number | null)[];
                    /** @description largest contentful paint (Web Vitals) */
                    lcp: (number | null)[];
                    /** @description interaction to next paint (Web Vitals) */
                    inp: (number | null)[];
                    /** @description cumulative layout shift (Web Vitals) */
                    cls: (number | null)[];
                };
                /** @description mean of each part: redirect, cache, lookup, connect, tls, waiting, transfer, dom, scripts, resources, handlers */
                parts: number[][];
            };
            /** @description where it is worse, and where not */
            where: components["schemas"]["PageWhere"][];
            /** @description hosts that resources come from */
            hosts: {
                /**
                 * @description name of the host; '' where there is none
                 * @example depot-07
                 */
                host: string;
                /**
                 * @description comes from a host that is not the page's own
                 * @example true
                 */
                isThirdParty: boolean;
                /**
                 * @description resources fetched from it
                 * @example 1840
                 */
                resources: number;
                /**
                 * @description resources that did not come
                 * @example 1
                 */
                missing: number;
                /**
                 * @description mean duration; null without any
                 * @example 640
                 */
                meanMs: number;
                /**
                 * @description size
                 * @example 48210
                 */
                bytes: number;
            }[];
            /** @description calls that pages make, the most frequent first */
            calls: {
                /**
                 * @description method and path of the call
                 * @example GET /api/slots
                 */
                call: string;
                /**
                 * @description how often
                 * @example 42
                 */
                calls: number;
                /**
                 * @description calls that failed
                 * @example 4
                 */
                failed: number;
                /**
                 * @description half took less; null without any
                 * @example 420
                 */
                medianMs: number;
                /**
                 * @description 95 of 100 took less; null without any
                 * @example 1840
                 */
                p95Ms: number;
            }[];
            /** @description loads worth opening */
            worst: components["schemas"]["ListedLoad"][];
        };
        /**
         * PageWhere
         * @description Where a page is worse
         */
        PageWhere: {
            /**
             * @description what it was
             * @example slow
             * @enum {string}
             */
            what: "slow" | "missing" | "errors";
            /**
             * @description by what views are told apart
             * @example page
             * @enum {string}
             */
            dimension: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
            /**
             * @description how it is against the usual
             * @example here
             * @enum {string}
             */
            verdict: "here" | "more" | "everywhere";
            /** @description the values in which it is worse */
            hit: {
                /**
                 * @description value of the dimension
                 * @example NL
                 */
                name: string;
                /**
                 * @description views of pages
                 * @example 1840
                 */
                views: number;
                /**
                 * @description the figure of this value
                 * @example 0.14
                 */
                here: number;
                /**
                 * @description the same figure of all others
                 * @example 0.02
                 */
                elsewhere: number;
            }[];
        };
        /**
         * PersonView
         * @description A view of a person
         */
        PersonView: {
            /**
             * @description identity of the view, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            view: string;
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description name of the page
             * @example /pick-up
             */
            page: string;
            /**
             * @description country, two letters of ISO 3166
             * @example NL
             */
            country: string;
            /**
             * @description browser and its major version
             * @example Firefox 140
             */
            browser: string;
            /**
             * @description from navigation to the end of loading; null when not told
             * @example 2840
             */
            loadMs: number | null;
            /**
             * @description largest contentful paint; null when not told
             * @example 2140
             */
            lcpMs: number | null;
            /**
             * @description errors of scripts
             * @example 3
             */
            errors: number;
            /**
             * @description resources that did not come
             * @example 1
             */
            missing: number;
            /**
             * @description number that tells sessions apart; 0 where none is told
             * @example 412
             */
            session: number;
            /**
             * @description operating system
             * @example Android 16
             */
            system: string;
        };
        /**
         * ScriptErrors
         * @description Errors of scripts in groups, by people met
         */
        ScriptErrors: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description all views of the window, to compare with
             * @example 1840
             */
            views: number;
            /**
             * @description there were more errors: the newest are told
             * @example true
             */
            isCut: boolean;
            /** @description groups, heaviest first */
            groups: {
                /**
                 * @description class of the failure
                 * @example TypeError
                 */
                type: string;
                /**
                 * @description message of the failure
                 * @example connection timed out
                 */
                message: string;
                /**
                 * @description errors of scripts
                 * @example 3
                 */
                errors: number;
                /**
                 * @description views in which it came
                 * @example 12
                 */
                views: number;
                /**
                 * @description persons, each counted once
                 * @example 128
                 */
                people: number;
                /**
                 * @description when it came first; null when not in the window
                 * @example 1772442840000
                 */
                firstMs: number;
                /**
                 * @description when it came last
                 * @example 1772446440000
                 */
                lastMs: number;
                /** @description pages on which it came, most often first */
                pages: string[];
                /** @description versions in which it came */
                versions: string[];
                /** @description browsers that met it, most often first */
                browsers: string[];
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /** @description places of the stack, innermost first */
                frames: components["schemas"]["StackFrame"][];
                /**
                 * @description the stack was read through a source map
                 * @example true
                 */
                isMapped: boolean;
                /**
                 * @description a view in which it came, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                sampleView: string;
            }[];
        };
        /**
         * SourceMapKept
         * @description A source map that was kept
         */
        SourceMapKept: {
            /**
             * @description name of the component (service.name)
             * @example slots
             */
            component: string;
            /**
             * @description version of the component; '' when not told
             * @example 4.18.0
             */
            version: string;
            /**
             * @description file; '' when not told
             * @example checkout.js
             */
            file: string;
            /**
             * @description size
             * @example 48210
             */
            bytes: number;
        };
        /**
         * SourceMaps
         * @description Source maps that stacks are read through
         */
        SourceMaps: {
            /** @description source maps that are kept */
            maps: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description version of the component; '' when not told
                 * @example 4.18.0
                 */
                version: string;
                /**
                 * @description file; '' when not told
                 * @example checkout.js
                 */
                file: string;
                /**
                 * @description when it was uploaded
                 * @example 1772442840000
                 */
                uploadedMs: number;
                /**
                 * @description size
                 * @example 48210
                 */
                bytes: number;
            }[];
        };
        /**
         * StackFrame
         * @description One place of a stack
         */
        StackFrame: {
            /**
             * @description file; '' when not told
             * @example checkout.js
             */
            file: string;
            /**
             * @description line of the place, from 1; 0 when not told
             * @example 214
             */
            line: number;
            /**
             * @description column of the place, from 1
             * @example 17
             */
            column: number;
            /**
             * @description function or method; '' when not told
             * @example pay
             */
            method: string;
        };
        /**
         * Vital
         * @description One Web Vital of a group of views
         */
        Vital: {
            /**
             * @description three quarters are no larger, in the vital's unit
             * @example 1
             */
            p75: number;
            /**
             * @description by the published thresholds (web.dev/vitals)
             * @example good
             * @enum {string}
             */
            rating: "good" | "needsImprovement" | "poor";
            /**
             * @description views of pages
             * @example 1840
             */
            views: number;
        };
        /**
         * ErasedPerson
         * @description What was erased of a person
         */
        ErasedPerson: {
            /**
             * @description what the person was called to whoever did not know who it was
             * @example person 3f9a-20c1
             */
            person: string;
            /**
             * @description attempts that are nobody’s now
             * @example 412
             */
            attempts: number;
        };
        /**
         * Hurt
         * @description The people whom an incident hurt
         */
        Hurt: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /**
             * @description how many there are
             * @example 128
             */
            total: number;
            /**
             * @description people who left and did not come back
             * @example 18
             */
            gone: number;
            /**
             * @description value that those who left did not complete
             * @example 1840
             */
            lost: number;
            /** @description people, worst off first */
            people: components["schemas"]["HurtPerson"][];
            /** @description of each dimension, the values under which most of them came */
            concentration: {
                /**
                 * @description by what attempts are told apart
                 * @example tier
                 * @enum {string}
                 */
                dimension: "tier" | "promotion" | "site" | "region" | "item";
                /** @description values */
                values: {
                    /**
                     * @description value of the dimension
                     * @example business
                     */
                    value: string;
                    /**
                     * @description people, worst off first
                     * @example 1
                     */
                    people: number;
                }[];
            }[];
        };
        /**
         * HurtPerson
         * @description A person whom an incident hurt
         */
        HurtPerson: {
            /**
             * @description a pseudonym: tells persons apart, not who they are; '' when not told
             * @example person 3f9a-20c1
             */
            person: string;
            /**
             * @description tier of the customer; '' when not told
             * @example business
             */
            tier: string;
            /**
             * @description site that the attempt came from; '' when not told
             * @example Depot North
             */
            site: string;
            /**
             * @description country or region that the attempt came from; '' when not told
             * @example NL
             */
            region: string;
            /**
             * @description promotion under which it came; '' when none
             * @example spring-2026
             */
            promotion: string;
            /**
             * @description name of the flow in which it was worst
             * @example Book a pick-up
             */
            flow: string;
            /**
             * @description attempts that took longer than the limit
             * @example 140
             */
            late: number;
            /**
             * @description attempts that took so long that people gave up
             * @example 4
             */
            hung: number;
            /**
             * @description attempts that failed
             * @example 31
             */
            failed: number;
            /**
             * @description time waited beyond the usual
             * @example 42000
             */
            waitedMs: number;
            /**
             * @description when it came last
             * @example 1772446440000
             */
            lastMs: number;
            /**
             * @description what became of the person
             * @example gone
             * @enum {string}
             */
            resolution: "gone" | "undecided" | "wentOn" | "madeGood";
            /**
             * @description value that the person did not complete
             * @example 42.5
             */
            lost: number;
        };
        /**
         * Person
         * @description What one person did, in order of time
         */
        Person: {
            /**
             * @description the id that was looked for, as it was sent
             * @example courier-0412
             */
            person: string;
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description what the person did, in order of time */
            attempts: components["schemas"]["PersonAttempt"][];
            /** @description pages that the person opened */
            views: components["schemas"]["PersonView"][];
        };
        /**
         * PersonAttempt
         * @description One attempt of a person
         */
        PersonAttempt: {
            /**
             * @description what it is
             * @example work
             * @enum {string}
             */
            kind: "work" | "background" | "page" | "businessEvent" | "probe";
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description how long it took
             * @example 1840
             */
            durationMs: number;
            /**
             * @description number of the flow
             * @example 3
             */
            flow: number;
            /**
             * @description name of the flow
             * @example Book a pick-up
             */
            name: string;
            /**
             * @description name of the application
             * @example Courier app
             */
            application: string;
            /**
             * @description what became of the attempt
             * @example onTime
             * @enum {string}
             */
            outcome: "onTime" | "late" | "hung" | "failed";
            /**
             * @description how long it usually takes; null where nothing is known
             * @example 420
             */
            expectedMs: number | null;
            /**
             * @description number that tells sessions apart; 0 where none is told
             * @example 412
             */
            session: number;
            /**
             * @description made by a probe, not by a person
             * @example true
             */
            isProbe: boolean;
            /**
             * @description site that the attempt came from; '' when not told
             * @example Depot North
             */
            site: string;
            /**
             * @description country or region that the attempt came from; '' when not told
             * @example NL
             */
            region: string;
            /**
             * @description tier of the customer; '' when not told
             * @example business
             */
            tier: string;
            /**
             * @description version of the component; '' when not told
             * @example 4.18.0
             */
            version: string;
            /**
             * @description value completed; null when it carries none
             * @example 42.5
             */
            value: number | null;
            /**
             * @description what failed; '' when nothing did
             * @example GatewayTimeout
             */
            failure: string;
            /**
             * @description identity of the trace, 32 hexadecimal digits; '' or null where it is not kept
             * @example 4bf92f3577b34da6a3ce929d0e0e4736
             */
            traceId: string;
            /**
             * @description identity of its first span, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            spanId: string;
        };
        /**
         * PersonLooks
         * @description Who looked at persons by name, and why
         */
        PersonLooks: {
            /** @description who looked, newest first */
            looks: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description who did it
                 * @example Dana
                 */
                who: string;
                /**
                 * @description why, in words
                 * @example
                 */
                why: string;
                /**
                 * @description what it was
                 * @example
                 */
                what: string;
                /**
                 * @description persons, each counted once
                 * @example 128
                 */
                people: number;
            }[];
        };
        /**
         * CrashGroup
         * @description Crashes at one place of the code
         */
        CrashGroup: {
            /**
             * @description 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            id: string;
            /**
             * @description name of the application
             * @example Round
             */
            application: string;
            /**
             * @description type of the exception
             * @example java.lang.IllegalStateException
             */
            type: string;
            /**
             * @description message of the newest, what may name somebody hidden
             * @example no camera
             */
            message: string;
            /**
             * @description class and method of the topmost own code; '' when not told
             * @example Camera.take
             */
            place: string;
            /**
             * @description crashes
             * @example 31
             */
            crashes: number;
            /**
             * @description people, each counted once; sessions where nobody is named
             * @example 24
             */
            people: number;
            /**
             * @description models of devices
             * @example 3
             */
            devices: number;
            /**
             * @description share of launches that ended so; null where launches are not told
             * @example 0.012
             */
            shareOfLaunches: number | null;
            /** @description what was shown when it crashed; '' where that is not told */
            screens: string[];
            /**
             * @description the first in the window
             * @example 1772442840000
             */
            firstMs: number;
            /**
             * @description the newest
             * @example 1772446440000
             */
            lastMs: number;
            /** @description versions that have it, the newest first */
            versions: {
                /**
                 * @description version; '' when not told
                 * @example 7.3.0
                 */
                version: string;
                /**
                 * @description crashes of it
                 * @example 31
                 */
                crashes: number;
                /**
                 * @description launches of that version
                 * @example 1840
                 */
                launches: number;
            }[];
            /**
             * @description new: in the newest version alone; gone: not in the newest, where at the rate of the others three were due; back: in the newest and in an older one, and not in the one between, where three were due
             * @example new
             * @enum {string}
             */
            state: "new" | "gone" | "back" | "known";
            /**
             * @description names were restored by an uploaded mapping or source map
             * @example true
             */
            isRestored: boolean;
            /**
             * @description the newest crash of it, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            sample: string;
        };
        /**
         * CrashGroupPage
         * @description One group of crashes: where it happens
         */
        CrashGroupPage: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /** @description its figures */
            group: components["schemas"]["CrashGroup"];
            /** @description frames, the newest call first */
            frames: {
                /**
                 * @description class, script or library
                 * @example app.round.photo.Camera
                 */
                module: string;
                /**
                 * @description method; '' when not told
                 * @example take
                 */
                method: string;
                /**
                 * @description file; '' when not told
                 * @example Camera.kt
                 */
                file: string;
                /**
                 * @description line, from 1; 0 when not told
                 * @example 88
                 */
                line: number;
                /**
                 * @description code of the application itself, as far as its name tells
                 * @example true
                 */
                isOwn: boolean;
            }[];
            /** @description where it happens, beside how much it is used there */
            where: {
                /**
                 * @description by what it is told apart
                 * @example version
                 * @enum {string}
                 */
                dimension: "version" | "device" | "carrier" | "country" | "system" | "screen";
                /** @description most crashes first */
                values: {
                    /**
                     * @description value of the dimension
                     * @example Tessel 5
                     */
                    value: string;
                    /**
                     * @description crashes
                     * @example 31
                     */
                    crashes: number;
                    /**
                     * @description launches with it; null where launches do not tell it
                     * @example 420
                     */
                    launches: number | null;
                    /**
                     * @description as often as in all other launches; null where that is not known
                     * @example 12.4
                     */
                    times: number | null;
                    /**
                     * @description lower end of its 95 % interval
                     * @example 6.1
                     */
                    low: number | null;
                    /**
                     * @description upper end of it; null: without bound
                     * @example 30.2
                     */
                    high: number | null;
                }[];
            }[];
            /** @description the newest crashes of it */
            newest: {
                /**
                 * @description 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                id: string;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description version; '' when not told
                 * @example 7.3.0
                 */
                version: string;
                /**
                 * @description model; '' when not told
                 * @example Tessel 5
                 */
                device: string;
                /**
                 * @description system with its version; '' when not told
                 * @example Android 16
                 */
                system: string;
                /**
                 * @description what was shown; '' when not told
                 * @example Take a photo
                 */
                screen: string;
            }[];
        };
        /**
         * CrashPage
         * @description One crash
         */
        CrashPage: {
            /**
             * @description 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            id: string;
            /**
             * @description its group, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            group: string;
            /**
             * @description when it was
             * @example 1772442840000
             */
            atMs: number;
            /**
             * @description name of the application
             * @example Round
             */
            application: string;
            /**
             * @description name of the component (service.name)
             * @example round
             */
            component: string;
            /**
             * @description version; '' when not told
             * @example 7.3.0
             */
            version: string;
            /**
             * @description model; '' when not told
             * @example Tessel 5
             */
            device: string;
            /**
             * @description system with its version; '' when not told
             * @example Android 16
             */
            system: string;
            /**
             * @description whose mobile network; '' when not told
             * @example Northline
             */
            carrier: string;
            /**
             * @description country; '' when not told
             * @example NL
             */
            country: string;
            /**
             * @description what was shown; '' when not told
             * @example Take a photo
             */
            screen: string;
            /**
             * @description type of the exception
             * @example java.lang.IllegalStateException
             */
            type: string;
            /**
             * @description its message, what may name somebody hidden
             * @example no camera
             */
            message: string;
            /** @description frames, the newest call first */
            frames: {
                /**
                 * @description class, script or library
                 * @example app.round.photo.Camera
                 */
                module: string;
                /**
                 * @description method; '' when not told
                 * @example take
                 */
                method: string;
                /**
                 * @description file; '' when not told
                 * @example Camera.kt
                 */
                file: string;
                /**
                 * @description line, from 1; 0 when not told
                 * @example 88
                 */
                line: number;
                /**
                 * @description code of the application itself, as far as its name tells
                 * @example true
                 */
                isOwn: boolean;
            }[];
            /**
             * @description names were restored by an uploaded mapping or source map
             * @example true
             */
            isRestored: boolean;
            /**
             * @description as the phone told it
             * @example java.lang.IllegalStateException: no camera
             */
            stack: string;
            /**
             * @description the thread that crashed; '' when not told
             * @example main
             */
            thread: string;
            /** @description the other threads, as far as told */
            threads: {
                /**
                 * @description name of the thread
                 * @example upload
                 */
                name: string;
                /**
                 * @description its stack
                 * @example at app.round.Upload.send(Upload.kt:12)
                 */
                stack: string;
            }[];
            /** @description what the application noted just before, oldest first */
            trail: {
                /**
                 * @description when it was
                 * @example 1772442830000
                 */
                atMs: number;
                /**
                 * @description what happened
                 * @example tap Take a photo
                 */
                what: string;
            }[];
            /**
             * @description its session, 8 hexadecimal digits; null when none is told
             * @example 00c0ffee
             */
            sessionId: string | null;
            /** @description attempts of the same session in the half hour before, in order */
            session: {
                /**
                 * @description 32 hexadecimal digits
                 * @example 4bf92f3577b34da6a3ce929d0e0e4736
                 */
                traceId: string;
                /**
                 * @description 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                spanId: string;
                /**
                 * @description when it began
                 * @example 1772442830000
                 */
                atMs: number;
                /**
                 * @description how long it took
                 * @example 420
                 */
                durationMs: number;
                /**
                 * @description it failed
                 * @example true
                 */
                failed: boolean;
                /**
                 * @description method and route, screen, or name of the span
                 * @example screen Take a photo
                 */
                flow: string;
                /**
                 * @description why it failed; '' when it did not
                 * @example java.lang.IllegalStateException
                 */
                failure: string;
            }[];
        };
        /**
         * NameMappingKept
         * @description A mapping of names that was kept
         */
        NameMappingKept: {
            /**
             * @description name of the component (service.name)
             * @example round
             */
            component: string;
            /**
             * @description version of the application
             * @example 7.3.0
             */
            version: string;
            /**
             * @description classes whose names it restores
             * @example 840
             */
            classes: number;
        };
        /**
         * NameMappings
         * @description Mappings that names in stacks are restored by
         */
        NameMappings: {
            /** @description mappings that are kept */
            mappings: {
                /**
                 * @description name of the component (service.name)
                 * @example round
                 */
                component: string;
                /**
                 * @description version of the application
                 * @example 7.3.0
                 */
                version: string;
                /**
                 * @description when it was uploaded
                 * @example 1772442840000
                 */
                uploadedMs: number;
                /**
                 * @description size
                 * @example 482100
                 */
                bytes: number;
            }[];
        };
        /**
         * Phone
         * @description Phone applications: versions side by side, and crashes in groups
         */
        Phone: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description there were more crashes: the newest are counted
             * @example true
             */
            isCut: boolean;
            /** @description applications that tell of their launches */
            applications: {
                /**
                 * @description name of the application
                 * @example Round
                 */
                application: string;
                /**
                 * @description launches, cold and warm
                 * @example 4200
                 */
                launches: number;
                /**
                 * @description crashes
                 * @example 64
                 */
                crashes: number;
                /**
                 * @description people whom it crashed for
                 * @example 40
                 */
                peopleCrashed: number;
                /** @description newest first */
                versions: components["schemas"]["PhoneVersion"][];
                /** @description countries that launches tell, most launches first */
                countries: {
                    /**
                     * @description country
                     * @example NL
                     */
                    country: string;
                    /**
                     * @description launches there
                     * @example 420
                     */
                    launches: number;
                    /**
                     * @description crashes there
                     * @example 12
                     */
                    crashes: number;
                    /**
                     * @description crashes by launches, as often as in all other countries; null where that is not known
                     * @example 1.4
                     */
                    times: number | null;
                    /**
                     * @description lower end of its 95 % interval; null where it is not known
                     * @example 0.8
                     */
                    low: number | null;
                    /**
                     * @description upper end of it; null: without bound, or not known
                     * @example 2.3
                     */
                    high: number | null;
                }[];
                /** @description how versions spread: launches of each over the window */
                spread: {
                    /**
                     * @description begin of the first step
                     * @example 1772442840000
                     */
                    startMs: number;
                    /**
                     * @description length of a step
                     * @example 3600000
                     */
                    stepMs: number;
                    /** @description newest first */
                    versions: {
                        /**
                         * @description version; '' when not told
                         * @example 7.3.0
                         */
                        version: string;
                        /** @description launches in each step */
                        launches: number[];
                    }[];
                };
            }[];
            /** @description by people, most first */
            groups: components["schemas"]["CrashGroup"][];
        };
        /**
         * PhoneAddress
         * @description Requests of phones to one address
         */
        PhoneAddress: {
            /**
             * @description host and path, ids left out
             * @example photos.round.example/photos/{id}
             */
            address: string;
            /**
             * @description requests
             * @example 420
             */
            requests: number;
            /**
             * @description requests without an answer, or with a status from 400 on
             * @example 31
             */
            failed: number;
            /**
             * @description bytes of all answers; null where they are not told
             * @example 840000
             */
            bytesIn: number | null;
            /**
             * @description bytes of all that was sent; null where they are not told
             * @example 84000000
             */
            bytesOut: number | null;
            /**
             * @description half took less
             * @example 180
             */
            medianMs: number;
            /**
             * @description 95 of 100 took less
             * @example 900
             */
            p95Ms: number;
            /**
             * @description sessions that asked it
             * @example 210
             */
            sessions: number;
            /**
             * @description sessions in which a request to it failed
             * @example 24
             */
            sessionsHit: number;
            /**
             * @description countries from which it was asked
             * @example 4
             */
            countries: number;
            /** @description where it fails more often than elsewhere, beyond chance over all addresses; null where nothing stands out */
            where: {
                /**
                 * @description by what it is told apart
                 * @example version
                 * @enum {string}
                 */
                dimension: "version" | "device" | "carrier" | "country";
                /**
                 * @description value of the dimension
                 * @example Copperwave
                 */
                value: string;
                /**
                 * @description requests with it
                 * @example 60
                 */
                requests: number;
                /**
                 * @description of them, those that failed
                 * @example 29
                 */
                failed: number;
                /**
                 * @description as often as all other requests to the address; null: these never fail
                 * @example 40
                 */
                times: number | null;
                /**
                 * @description lower end of its 95 % interval
                 * @example 12
                 */
                low: number;
                /**
                 * @description upper end of it; null: without bound
                 * @example 180
                 */
                high: number | null;
            } | null;
        };
        /**
         * PhoneAddresses
         * @description What phones asked of servers, by address
         */
        PhoneAddresses: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description there are more addresses: those that fail or are asked most are listed
             * @example true
             */
            isCut: boolean;
            /** @description what fails most first */
            addresses: components["schemas"]["PhoneAddress"][];
        };
        /**
         * PhoneSession
         * @description One session on a phone, within the window
         */
        PhoneSession: {
            /**
             * @description 8 hexadecimal digits
             * @example 00c0ffee
             */
            session: string;
            /**
             * @description name of the application
             * @example Round
             */
            application: string;
            /**
             * @description its first moment
             * @example 1772442840000
             */
            fromMs: number;
            /**
             * @description its last
             * @example 1772446440000
             */
            toMs: number;
            /**
             * @description launches, screens and the like
             * @example 24
             */
            attempts: number;
            /**
             * @description of them, those that failed
             * @example 2
             */
            failed: number;
            /**
             * @description crashes
             * @example 1
             */
            crashes: number;
            /**
             * @description requests to servers
             * @example 20
             */
            requests: number;
            /**
             * @description of them, those that failed
             * @example 3
             */
            requestsFailed: number;
            /**
             * @description errors that the application caught
             * @example 3
             */
            errors: number;
            /**
             * @description time that its attempts took
             * @example 18400
             */
            waitedMs: number;
            /**
             * @description the newest version; '' when not told
             * @example 7.3.0
             */
            version: string;
            /**
             * @description model; '' when not told
             * @example Tessel 5
             */
            device: string;
            /**
             * @description whose mobile network; '' when not told
             * @example Northline
             */
            carrier: string;
            /**
             * @description country; '' when not told
             * @example NL
             */
            country: string;
        };
        /**
         * PhoneSessionPage
         * @description One session on one clock
         */
        PhoneSessionPage: {
            /**
             * @description 8 hexadecimal digits
             * @example 00c0ffee
             */
            session: string;
            /** @description from its first moment to its last; of a long session the last twelve hours */
            window: components["schemas"]["Window"];
            /**
             * @description there is more: the last is listed
             * @example true
             */
            isCut: boolean;
            /**
             * @description name of the application; '' when not told
             * @example Round
             */
            application: string;
            /**
             * @description version; '' when not told
             * @example 7.3.0
             */
            version: string;
            /**
             * @description model; '' when not told
             * @example Tessel 5
             */
            device: string;
            /**
             * @description whose mobile network; '' when not told
             * @example Northline
             */
            carrier: string;
            /**
             * @description country; '' when not told
             * @example NL
             */
            country: string;
            /** @description in the order of time */
            entries: {
                /**
                 * @description what it is
                 * @example launch
                 * @enum {string}
                 */
                kind: "launch" | "screen" | "work" | "crash" | "request" | "error" | "tap" | "state";
                /**
                 * @description when it began
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description how long it took; 0 of what lasts no time
                 * @example 420
                 */
                durationMs: number;
                /**
                 * @description start, screen, address, type of the error, what was tapped
                 * @example photos.round.example/photos/{id}
                 */
                what: string;
                /**
                 * @description it failed
                 * @example true
                 */
                failed: boolean;
                /**
                 * @description why, or with what status; '' when that is not told
                 * @example status 503
                 */
                words: string;
                /** @description the attempt that it is, or that a server began for it; null when none is known */
                attempt: {
                    /**
                     * @description 32 hexadecimal digits
                     * @example 4bf92f3577b34da6a3ce929d0e0e4736
                     */
                    traceId: string;
                    /**
                     * @description 16 hexadecimal digits
                     * @example 00f067aa0ba902b7
                     */
                    spanId: string;
                } | null;
                /**
                 * @description the crash that it is, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                crash: string | null;
                /**
                 * @description bytes of the answer; null where not told
                 * @example 2100
                 */
                bytesIn: number | null;
                /**
                 * @description bytes that were sent; null where not told
                 * @example 840000
                 */
                bytesOut: number | null;
            }[];
            /** @description what the application took, in the order of time */
            usage: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description share of the processor; null where not told
                 * @example 0.31
                 */
                cpu: number | null;
                /**
                 * @description memory taken; null where not told
                 * @example 220000000
                 */
                memory: number | null;
            }[];
            /** @description what the screen looked like, in the order of time */
            shapes: {
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description screen; '' when not told
                 * @example Photo
                 */
                screen: string;
                /**
                 * @description width of the screen
                 * @example 390
                 */
                width: number;
                /**
                 * @description height of the screen
                 * @example 844
                 */
                height: number;
                /** @description rectangles, without what they say */
                parts: {
                    /**
                     * @description what stands there
                     * @example text
                     * @enum {string}
                     */
                    kind: "text" | "button" | "picture" | "field" | "list";
                    /**
                     * @description from the left
                     * @example 16
                     */
                    x: number;
                    /**
                     * @description from the top
                     * @example 120
                     */
                    y: number;
                    /**
                     * @description width
                     * @example 358
                     */
                    width: number;
                    /**
                     * @description height
                     * @example 48
                     */
                    height: number;
                }[];
            }[];
        };
        /**
         * PhoneSessions
         * @description Sessions on phones
         */
        PhoneSessions: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description the window is longer: its last day was looked at
             * @example true
             */
            isLastDay: boolean;
            /**
             * @description there are more sessions: the worst are listed
             * @example true
             */
            isCut: boolean;
            /** @description what crashed first, then what failed, then what took longest */
            sessions: components["schemas"]["PhoneSession"][];
        };
        /**
         * PhoneVersion
         * @description One version of a phone application
         */
        PhoneVersion: {
            /**
             * @description version; '' when not told
             * @example 7.3.0
             */
            version: string;
            /**
             * @description when it was first seen; null when that is not known
             * @example 1772442840000
             */
            firstMs: number | null;
            /**
             * @description launches, cold and warm
             * @example 1840
             */
            launches: number;
            /**
             * @description share of all launches of the application
             * @example 0.4
             */
            shareOfLaunches: number;
            /**
             * @description crashes
             * @example 31
             */
            crashes: number;
            /**
             * @description people who launched it, each counted once
             * @example 420
             */
            people: number;
            /**
             * @description of them, people whom it crashed for
             * @example 24
             */
            peopleCrashed: number;
            /** @description crashes by launches, with its 95 % interval (Wilson); null without launches */
            crashRate: components["schemas"]["Interval"] | null;
            /** @description share of people whom it never crashed for (Wilson); null without people */
            crashFree: components["schemas"]["Interval"] | null;
            /** @description cold starts that did not fail; null without any */
            cold: {
                /**
                 * @description starts that tell it: of many a fair part
                 * @example 840
                 */
                starts: number;
                /**
                 * @description half took less
                 * @example 900
                 */
                medianMs: number;
                /**
                 * @description 75 of 100 took less
                 * @example 1300
                 */
                p75Ms: number;
                /**
                 * @description 95 of 100 took less
                 * @example 2400
                 */
                p95Ms: number;
            } | null;
            /** @description warm starts that did not fail; null without any */
            warm: {
                /**
                 * @description starts that tell it: of many a fair part
                 * @example 840
                 */
                starts: number;
                /**
                 * @description half took less
                 * @example 900
                 */
                medianMs: number;
                /**
                 * @description 75 of 100 took less
                 * @example 1300
                 */
                p75Ms: number;
                /**
                 * @description 95 of 100 took less
                 * @example 2400
                 */
                p95Ms: number;
            } | null;
            /**
             * @description sessions that tell of requests, errors and the like
             * @example 210
             */
            sessions: number;
            /**
             * @description requests to servers
             * @example 840
             */
            requests: number;
            /**
             * @description of them, those that failed
             * @example 12
             */
            requestsFailed: number;
            /**
             * @description half of the requests that did not fail took less; null without any
             * @example 320
             */
            requestMedianMs: number | null;
            /**
             * @description errors that the application caught
             * @example 31
             */
            errors: number;
            /**
             * @description share of the processor, median; null where not told
             * @example 0.31
             */
            cpu: number | null;
            /**
             * @description memory taken, median; null where not told
             * @example 240000000
             */
            memory: number | null;
            /** @description beyond chance over all that is compared (false discoveries at most 5 %) */
            standsOut: {
                /**
                 * @description what is unlike all other versions together
                 * @example crashes
                 * @enum {string}
                 */
                what: "crashes" | "coldStart" | "warmStart" | "requestsFailed" | "requestTime" | "errors" | "cpu" | "memory";
                /**
                 * @description as often, or as much; null: the others have none
                 * @example 6.2
                 */
                times: number | null;
                /**
                 * @description more often, or more
                 * @example true
                 */
                isWorse: boolean;
            }[];
        };
        /**
         * EndangeredPromises
         * @description Promises that an incident spends the budget of
         */
        EndangeredPromises: {
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description those of which it took most first */
            promises: {
                /**
                 * @description name of the promise
                 * @example Labels for partners
                 */
                name: string;
                /**
                 * @description to whom it was given; '' when not said
                 * @example Partners
                 */
                to: string;
                /**
                 * @description that were bad because of the incident, beyond the usual, in the period
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all that may be bad in the period; null when none are expected
                 * @example 0.12
                 */
                tookShare: number | null;
                /**
                 * @description what is left of that now; below 0 when more was spent
                 * @example 0.34
                 */
                leftShare: number | null;
                /**
                 * @description chance that it is broken at the end; null without a forecast
                 * @example 0.87
                 */
                chanceOfBreaking: number | null;
                /**
                 * @description penalty expected of it, whoever spent it
                 * @example 3480
                 */
                expectedPenalty: number;
            }[];
        };
        /**
         * PromiseAttempts
         * @description Attempts that broke a promise
         */
        PromiseAttempts: {
            /**
             * @description bad ones of the period up to now
             * @example 42
             */
            all: number;
            /** @description the newest first, at most forty; of hours whose single attempts are gone none can be shown */
            attempts: {
                /**
                 * @description name of the flow
                 * @example Print labels
                 */
                flow: string;
                /** @description the attempt */
                sample: components["schemas"]["Sample"];
            }[];
        };
        /**
         * PromisePage
         * @description A promise, who spent its budget, and where
         */
        PromisePage: {
            /**
             * @description up to when attempts are counted
             * @example 1772446440000
             */
            nowMs: number;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description how it stands */
            level: components["schemas"]["ServiceLevel"];
            /** @description incidents that spent it, most first: bad attempts beyond the usual while they went on */
            incidents: {
                /**
                 * @description number of the incident
                 * @example 7
                 */
                id: number;
                /**
                 * @description when it began
                 * @example 1772442840000
                 */
                onsetMs: number;
                /**
                 * @description when it ended, or up to when it is known
                 * @example 1772446440000
                 */
                endMs: number;
                /**
                 * @description flows of the promise that it touched
                 * @example 1
                 */
                flows: number;
                /**
                 * @description the flow in which it was worst
                 * @example Print labels
                 */
                name: string;
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            }[];
            /** @description what no incident explains */
            unexplained: {
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            };
            /** @description flows, most bad ones first */
            flows: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Print labels
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description that count
                 * @example 4200
                 */
                valid: number;
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            }[];
            /** @description sites, most bad ones first */
            sites: {
                /**
                 * @description site; '' when not told
                 * @example North
                 */
                site: string;
                /**
                 * @description that count
                 * @example 4200
                 */
                valid: number;
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            }[];
            /** @description versions, most bad ones first */
            versions: {
                /**
                 * @description version; '' when not told
                 * @example 4.18.0
                 */
                version: string;
                /**
                 * @description that count
                 * @example 4200
                 */
                valid: number;
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            }[];
            /** @description hours in which most were bad */
            hours: {
                /**
                 * @description begin of the hour
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description that count
                 * @example 420
                 */
                valid: number;
                /**
                 * @description bad ones
                 * @example 42
                 */
                bad: number;
                /**
                 * @description of all bad ones
                 * @example 0.4
                 */
                share: number;
            }[];
            /** @description each flow at each site, as far as sites are told */
            cells: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                flowId: number;
                /**
                 * @description name of the flow
                 * @example Print labels
                 */
                flow: string;
                /**
                 * @description name of its application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description site; '' when not told
                 * @example North
                 */
                site: string;
                /**
                 * @description that count
                 * @example 420
                 */
                valid: number;
                /**
                 * @description of these good ones
                 * @example 410
                 */
                good: number;
            }[];
            /** @description stretches of the period that do not count */
            excluded: {
                /**
                 * @description begin
                 * @example 1772442000000
                 */
                fromMs: number;
                /**
                 * @description end
                 * @example 1772445600000
                 */
                toMs: number;
                /**
                 * @description why, in words
                 * @example new disks
                 */
                reason: string;
                /**
                 * @description agreed work of the calendar, which counts for no promise
                 * @example true
                 */
                isMaintenance: boolean;
                /**
                 * @description who took it out; null when it stands in the settings file
                 * @example Dana
                 */
                by: string | null;
            }[];
            /** @description periods before, the newest first, as far as they are known */
            periods: {
                /** @description the period */
                period: components["schemas"]["Window"];
                /**
                 * @description that count
                 * @example 48000
                 */
                valid: number;
                /**
                 * @description of these good ones
                 * @example 47900
                 */
                good: number;
                /**
                 * @description kept; null without an attempt
                 * @example true
                 */
                isKept: boolean | null;
                /** @description what it came to when it was over; null where it was not written down */
                sealed: {
                    /**
                     * @description when it was written down
                     * @example 1772446440000
                     */
                    atMs: number;
                    /**
                     * @description that counted then
                     * @example 47990
                     */
                    valid: number;
                    /**
                     * @description of these good ones
                     * @example 47890
                     */
                    good: number;
                } | null;
            }[];
            /** @description changes of the promises, the newest first */
            changes: {
                /**
                 * @description when it was made
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description who made it
                 * @example Dana
                 */
                who: string;
                /**
                 * @description what the promises became
                 * @example 3 entries: Labels
                 */
                words: string;
            }[];
        };
        /**
         * Promises
         * @description All that was promised
         */
        Promises: {
            /** @description what was looked at: its end is the moment for which they stand */
            window: components["schemas"]["Window"];
            /**
             * @description up to when attempts are counted
             * @example 1772446440000
             */
            nowMs: number;
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description the one with the largest expected penalty first, then the likeliest to break */
            promises: components["schemas"]["ServiceLevel"][];
        };
        /**
         * ServiceLevel
         * @description A promise, and how it stands in its period
         */
        ServiceLevel: {
            /**
             * @description name; tells it apart from others
             * @example Labels for partners
             */
            name: string;
            /**
             * @description to whom it was given; '' when not said
             * @example Partners
             */
            to: string;
            /**
             * @description how it is counted, in one sentence
             * @example 99.5 % of the attempts of “Print labels” in time: within 1.2 s.
             */
            rule: string;
            /**
             * @description what it counts, and what makes that good
             * @example answered
             * @enum {string}
             */
            indicator: "answered" | "inTime" | "people" | "views" | "crashFree" | "reachable";
            /**
             * @description one of what it counts
             * @example attempt
             */
            unit: string;
            /**
             * @description many of what it counts
             * @example attempts
             */
            units: string;
            /**
             * @description the promise's own limit; null for the limit that judged each
             * @example 1200
             */
            limitMs: number | null;
            /**
             * @description share that is promised to be good
             * @example 0.995
             */
            target: number;
            /** @description over what it is kept */
            period: components["schemas"]["Window"];
            /**
             * @description the same in words
             * @example a calendar month (Europe/Dublin)
             */
            periodWords: string;
            /**
             * @description flows that it is about
             * @example 3
             */
            flows: number;
            /**
             * @description how it stands: at risk when breaking it is likelier than not, or its budget is spent
             * @example kept
             * @enum {string}
             */
            state: "kept" | "atRisk" | "broken" | "noData";
            /**
             * @description how many count, up to now
             * @example 48000
             */
            valid: number;
            /**
             * @description of these good ones
             * @example 47900
             */
            good: number;
            /** @description kept so far; null without an attempt */
            kept: {
                /**
                 * @description share of good ones
                 * @example 0.9979
                 */
                share: number;
                /**
                 * @description begin of the 95 % interval (Wilson)
                 * @example 0.9975
                 */
                low: number;
                /**
                 * @description end of it
                 * @example 0.9983
                 */
                high: number;
            } | null;
            /** @description how many may be bad, and were */
            budget: {
                /**
                 * @description that may be bad in the whole period, as many as are expected
                 * @example 360
                 */
                allowed: number;
                /**
                 * @description that were bad
                 * @example 100
                 */
                spent: number;
                /**
                 * @description that may still be bad; below 0 when more were than may be
                 * @example 260
                 */
                left: number;
                /**
                 * @description of those allowed; null when none are expected
                 * @example 0.72
                 */
                leftShare: number | null;
            };
            /** @description how fast the budget is spent */
            burn: {
                /**
                 * @description over so long up to now
                 * @example 3600000
                 */
                windowMs: number;
                /**
                 * @description 1 spends the budget in just its period; null without attempts
                 * @example 2.4
                 */
                rate: number | null;
            }[];
            /**
             * @description the fastest pace that alerts; null when none does
             * @example fast
             */
            pace: ("fast" | "medium" | "slow") | null;
            /**
             * @description when the budget is spent at the pace of the last six hours; null beyond the period
             * @example 1772446440000
             */
            endsMs: number | null;
            /** @description the budget, burning down */
            line: {
                /**
                 * @description begin of the first step
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description length of a step
                 * @example 3600000
                 */
                stepMs: number;
                /** @description share of the budget that was left at the end of each step */
                left: number[];
            };
            /** @description what it may come to; null with fewer than three whole days known */
            forecast: {
                /**
                 * @description for when
                 * @example 1772446440000
                 */
                endMs: number;
                /** @description share of good attempts at the end: 2.5 %, 10 %, middle, 90 %, 97.5 % */
                share: number[];
                /**
                 * @description chance that it is broken at the end
                 * @example 0.2
                 */
                chanceOfBreaking: number;
                /**
                 * @description sum of the chance of each step times what it adds
                 * @example 800
                 */
                expectedPenalty: number;
                /** @description the budget to come, day by day */
                fan: {
                    /**
                     * @description end of a day
                     * @example 1772446440000
                     */
                    atMs: number;
                    /** @description share of the budget left: 2.5 %, 10 %, middle, 90 %, 97.5 % */
                    left: number[];
                }[];
            } | null;
            /** @description steps of what breaking it costs */
            penalties: {
                /**
                 * @description due when less than this share was good
                 * @example 0.995
                 */
                below: number;
                /**
                 * @description what it costs
                 * @example 4000
                 */
                amount: number;
                /**
                 * @description that it is due at the end; null without a forecast
                 * @example 0.2
                 */
                chance: number | null;
            }[];
            /**
             * @description hours of which single attempts are gone were counted from sums, within 1.6 % of the limit
             * @example true
             */
            isRough: boolean;
        };
        /**
         * Happened
         * @description What happened in a window
         */
        Happened: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description there is more: the newest are told
             * @example true
             */
            isCut: boolean;
            /** @description newest first */
            happenings: {
                /**
                 * @description the same for the same thing, whenever it is asked for
                 * @example opened-12
                 */
                id: string;
                /**
                 * @description opened, over: an incident; early: what nobody feels yet; handoff: what became of one; proven: by its figures, one is over; promise: its budget is spent; crash: one is new or came back; alert: who was told of what; release: a version was first seen; change: what somebody told
                 * @example opened
                 * @enum {string}
                 */
                kind: "opened" | "over" | "early" | "handoff" | "proven" | "promise" | "crash" | "alert" | "release" | "change";
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description in words
                 * @example Fails for 24 %, usually 0.4 %: Book a pick-up
                 */
                title: string;
                /**
                 * @description name of the application; '' when of none alone
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description team that has it, or should get it; '' when not known
                 * @example Slots Team
                 */
                team: string;
                /**
                 * @description where it is seen in the interface
                 * @example /incident/12
                 */
                path: string;
            }[];
        };
        /**
         * Remote
         * @description Sessions on remote desktops: the way there, beside what is done there
         */
        Remote: {
            /** @description what was looked at: of a long window its last day */
            window: components["schemas"]["Window"];
            /** @description the day before it, which round trips are compared with */
            before: components["schemas"]["Window"];
            /**
             * @description what sessions are told apart by
             * @example site
             * @enum {string}
             */
            by: "site" | "server" | "client" | "centre";
            /**
             * @description sessions
             * @example 64
             */
            sessions: number;
            /** @description the worst first */
            groups: {
                /**
                 * @description site, server, client or data centre
                 * @example Brackwater
                 */
                group: string;
                /**
                 * @description sessions
                 * @example 7
                 */
                sessions: number;
                /**
                 * @description median round trip over sessions; null without any
                 * @example 84
                 */
                roundTripMs: number | null;
                /**
                 * @description the same before; null without any
                 * @example 31
                 */
                beforeMs: number | null;
                /**
                 * @description so many times as long as before; null without a time before
                 * @example 2.7
                 */
                factor: number | null;
                /**
                 * @description so many times as long as usual activities of these sessions take; null without any
                 * @example 2.4
                 */
                activityFactor: number | null;
                /**
                 * @description is it the way to the desktop, or what runs there
                 * @example line
                 * @enum {string}
                 */
                verdict: "line" | "application" | "lineUnfelt" | "well" | "tooLittle";
                /**
                 * @description in words
                 * @example It is the way to the desktop: from Brackwater it takes 2.7× as long as before …
                 */
                words: string;
                /** @description both over time */
                curve: {
                    /**
                     * @description begin of the first step
                     * @example 1772442000000
                     */
                    startMs: number;
                    /**
                     * @description length of a step
                     * @example 900000
                     */
                    stepMs: number;
                    /** @description median round trip, milliseconds; null where nothing came */
                    roundTripMs: (number | null)[];
                    /** @description so many times as long as usual activities took; null where nothing came */
                    activityFactor: (number | null)[];
                };
            }[];
        };
        /**
         * SiteChange
         * @description Before and after a change, of groups that had it and groups that did not
         */
        SiteChange: {
            /**
             * @description what the groups are told apart by
             * @example site
             * @enum {string}
             */
            by: "site" | "department" | "role" | "station" | "server";
            /**
             * @description when it was changed
             * @example 1772442000000
             */
            atMs: number;
            /**
             * @description when it was done; the same where it was at once
             * @example 1772528400000
             */
            untilMs: number;
            /**
             * @description what is compared with what: the same hour of the week, of the day, or all with all
             * @example hourOfWeek
             * @enum {string}
             */
            strata: "hourOfWeek" | "hourOfDay" | "none";
            /** @description over time */
            drawing: {
                /**
                 * @description begin of the first step
                 * @example 1772442000000
                 */
                startMs: number;
                /**
                 * @description length of a step
                 * @example 86400000
                 */
                stepMs: number;
                /** @description so many times as long as usual, of groups that had it; null where nothing came */
                changed: (number | null)[];
                /** @description the same of the others */
                unchanged: (number | null)[];
            };
            /** @description the time before */
            before: components["schemas"]["Window"];
            /** @description the time after, as long */
            after: components["schemas"]["Window"];
            /**
             * @description of the changed ones against the others
             * @example better
             * @enum {string}
             */
            verdict: "better" | "worse" | "noDifference" | "tooLittle";
            /** @description so many times as long as it would have become without the change, with its 95 % interval over groups; null for fewer than two of either */
            factor: components["schemas"]["Interval"] | null;
            /** @description the changed ones first */
            groups: {
                /**
                 * @description site, department or the like
                 * @example Brackwater
                 */
                group: string;
                /**
                 * @description it had the change
                 * @example true
                 */
                isChanged: boolean;
                /**
                 * @description attempts before
                 * @example 420
                 */
                before: number;
                /**
                 * @description attempts after
                 * @example 410
                 */
                after: number;
                /**
                 * @description so many times as long as before; null for fewer than twenty
                 * @example 1.8
                 */
                factor: number | null;
                /** @description share that failed or hung after, less that before, with its 95 % interval */
                failed: components["schemas"]["Interval"] | null;
            }[];
        };
        /**
         * Sites
         * @description What people at work do, where, and what is off
         */
        Sites: {
            /** @description what was looked at: of a long window its last day */
            window: components["schemas"]["Window"];
            /**
             * @description what the groups are told apart by
             * @example site
             * @enum {string}
             */
            by: "site" | "department" | "role" | "station" | "server";
            /** @description those that people waited for longer than usual the most first */
            activities: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Receive parcels
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Depot Desk
                 */
                application: string;
                /**
                 * @description attempts that came
                 * @example 420
                 */
                attempts: number;
                /**
                 * @description of them, those that did not fail and were in time
                 * @example 410
                 */
                good: number;
                /**
                 * @description people, each counted once
                 * @example 28
                 */
                people: number;
                /**
                 * @description all that people waited longer than usual
                 * @example 184000
                 */
                overMs: number;
            }[];
            /** @description on one scale whatever they do; the worst first, by how far off the norm and how much is done */
            groups: {
                /**
                 * @description site, department or the like
                 * @example Brackwater
                 */
                group: string;
                /**
                 * @description attempts that came
                 * @example 420
                 */
                attempts: number;
                /**
                 * @description of them, those that did not fail and were in time
                 * @example 410
                 */
                good: number;
                /**
                 * @description people, each counted once
                 * @example 28
                 */
                people: number;
                /**
                 * @description all that people waited longer than usual
                 * @example 184000
                 */
                overMs: number;
                /**
                 * @description chance that a random attempt here takes longer than a random one of everybody, of the same activity; 0.5 is the norm
                 * @example 0.74
                 */
                score: number;
                /**
                 * @description of the score
                 * @example 0.02
                 */
                standardError: number;
                /**
                 * @description spread of its attempts on that scale; 0.29 is that of everybody
                 * @example 0.27
                 */
                unsteadiness: number;
            }[];
            /** @description each activity in each group */
            cells: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                id: number;
                /**
                 * @description site, department or the like
                 * @example Brackwater
                 */
                group: string;
                /**
                 * @description attempts that came
                 * @example 420
                 */
                attempts: number;
                /**
                 * @description of them, those that did not fail and were in time
                 * @example 410
                 */
                good: number;
                /**
                 * @description people, each counted once
                 * @example 28
                 */
                people: number;
                /**
                 * @description half took less; null without any
                 * @example 1240
                 */
                medianMs: number | null;
                /**
                 * @description usual duration; null while nothing is learned
                 * @example 520
                 */
                usualMs: number | null;
            }[];
            /** @description servers that people work with, those with the most waiting first */
            servers: {
                /**
                 * @description name of the server
                 * @example desk-mid
                 */
                server: string;
                /**
                 * @description attempts that came
                 * @example 420
                 */
                attempts: number;
                /**
                 * @description of them, those that did not fail and were in time
                 * @example 410
                 */
                good: number;
                /**
                 * @description people, each counted once
                 * @example 28
                 */
                people: number;
                /**
                 * @description all that people waited longer than usual
                 * @example 184000
                 */
                overMs: number;
            }[];
            /** @description what is off beyond chance and beyond what a day brings, the most people first */
            off: {
                /**
                 * @description where it lies
                 * @example application
                 * @enum {string}
                 */
                layer: "application" | "server" | "line" | "serverOrLine" | "device";
                /**
                 * @description name of the application, server or site; of a person a pseudonym
                 * @example Brackwater
                 */
                name: string;
                /**
                 * @description site of a person, '' else
                 * @example Brackwater
                 */
                group: string;
                /**
                 * @description where it lies and why, to be read out
                 * @example It is the line of Brackwater, or something else there: …
                 */
                words: string;
                /**
                 * @description name of the application
                 * @example Depot Desk
                 */
                application: string;
                /**
                 * @description so many times as long as those it is compared with
                 * @example 2.4
                 */
                factor: number;
                /**
                 * @description begin of the 95 % interval
                 * @example 2.1
                 */
                low: number;
                /**
                 * @description end of it
                 * @example 2.7
                 */
                high: number;
                /**
                 * @description people whom it slows
                 * @example 28
                 */
                people: number;
                /**
                 * @description attempts that tell
                 * @example 840
                 */
                attempts: number;
                /**
                 * @description team that owns it by the rules; null when none does
                 * @example Sites & Network
                 */
                team: string | null;
            }[];
            /** @description people against those like them, the slowest first */
            persons: {
                /**
                 * @description a pseudonym
                 * @example person 3f9a-20c1
                 */
                person: string;
                /**
                 * @description place of work
                 * @example Brackwater
                 */
                site: string;
                /**
                 * @description server that they mostly work with
                 * @example desk-mid
                 */
                server: string;
                /**
                 * @description kind of device; '' when not told
                 * @example desktop
                 */
                station: string;
                /**
                 * @description name of the device; '' when not told
                 * @example brac-104
                 */
                host: string;
                /**
                 * @description attempts that tell
                 * @example 41
                 */
                attempts: number;
                /**
                 * @description so many times as long as like people
                 * @example 1.9
                 */
                factor: number;
                /**
                 * @description begin of the 95 % interval
                 * @example 1.6
                 */
                low: number;
                /**
                 * @description end of it
                 * @example 2.2
                 */
                high: number;
                /**
                 * @description who is compared with
                 * @example sameSiteServerStation
                 * @enum {string}
                 */
                likeness: "sameSiteServerStation" | "sameSiteServer" | "sameSite" | "sameServer" | "everybody";
                /**
                 * @description people compared with
                 * @example 14
                 */
                like: number;
                /**
                 * @description beyond chance among all people compared
                 * @example true
                 */
                isOff: boolean;
            }[];
            /**
             * @description people at work who did anything
             * @example 240
             */
            people: number;
            /**
             * @description of them, people who did enough to be compared with others
             * @example 180
             */
            compared: number;
        };
        /**
         * WorkPerson
         * @description One person at work over time, against like people
         */
        WorkPerson: {
            /** @description what was looked at: of a long window its last day */
            window: components["schemas"]["Window"];
            /**
             * @description name of the device
             * @example brac-104
             */
            host: string;
            /**
             * @description a pseudonym
             * @example person 3f9a-20c1
             */
            person: string;
            /**
             * @description place of work
             * @example Brackwater
             */
            site: string;
            /**
             * @description server that they work with; '' when not told
             * @example desk-mid
             */
            server: string;
            /**
             * @description kind of device; '' when not told
             * @example desktop
             */
            station: string;
            /**
             * @description all that they did
             * @example 44
             */
            attempts: number;
            /**
             * @description of them, failed
             * @example 1
             */
            failed: number;
            /**
             * @description of them, ended well, and it is known what is usual: these are compared
             * @example 41
             */
            judged: number;
            /** @description null when they did too little, or too few are like them */
            compared: {
                /**
                 * @description so many times as long as like people
                 * @example 1.9
                 */
                factor: number;
                /**
                 * @description begin of the 95 % interval
                 * @example 1.6
                 */
                low: number;
                /**
                 * @description end of it
                 * @example 2.2
                 */
                high: number;
                /**
                 * @description who is compared with
                 * @example sameSiteServerStation
                 * @enum {string}
                 */
                likeness: "sameSiteServerStation" | "sameSiteServer" | "sameSite" | "sameServer" | "everybody";
                /**
                 * @description people compared with
                 * @example 14
                 */
                like: number;
                /**
                 * @description beyond chance among all people compared
                 * @example true
                 */
                isOff: boolean;
            } | null;
            /**
             * @description begin of the first step
             * @example 1772442000000
             */
            startMs: number;
            /**
             * @description length of a step
             * @example 1800000
             */
            stepMs: number;
            /** @description so many times as long as usual; null where nothing came */
            own: (number | null)[];
            /** @description the same of like people */
            like: (number | null)[];
            /** @description attempts in each step */
            volume: number[];
        };
        /**
         * Account
         * @description Somebody who signs in
         */
        Account: {
            /**
             * @description number
             * @example 3
             */
            id: number;
            /**
             * @description name
             * @example Rowan Teal
             */
            name: string;
            /**
             * @description mail address; '' without one
             * @example rowan.teal@pellwick.example
             */
            mail: string;
            /** @description what they were given */
            grants: components["schemas"]["Grant"][];
            /**
             * @description has chosen a password
             * @example true
             */
            hasPassword: boolean;
            /**
             * @description signs in with a second factor
             * @example true
             */
            hasSecondFactor: boolean;
            /**
             * @description signs in at a provider
             * @example true
             */
            isElsewhere: boolean;
            /**
             * @description cannot sign in any more
             * @example true
             */
            isEnded: boolean;
            /**
             * @description seen last; null where they are signed in nowhere
             * @example 1772446480000
             */
            seenMs: number | null;
        };
        /**
         * AccountLink
         * @description By which somebody chooses a password, once
         */
        AccountLink: {
            /**
             * @description number of the account
             * @example 3
             */
            account: number;
            /**
             * @description the only time that it is told
             * @example https://lens.example/welcome/4fKq…
             */
            url: string;
            /**
             * @description until then
             * @example 1773047280000
             */
            endsMs: number;
        };
        /**
         * Accounts
         * @description People who sign in
         */
        Accounts: {
            /** @description by name */
            accounts: components["schemas"]["Account"][];
        };
        /**
         * Grant
         * @description A role that somebody was given
         */
        Grant: {
            /**
             * @description which
             * @example viewer
             * @enum {string}
             */
            role: "viewer" | "support" | "owner" | "team" | "administrator" | "persons" | "watch";
            /**
             * @description the application or team that it holds for; '' of roles that hold everywhere
             * @example Sender Portal
             */
            of: string;
            /**
             * @description until when; null without an end
             * @example 1775034480000
             */
            untilMs: number | null;
        };
        /**
         * LinkedAccount
         * @description Whom such a link is for
         */
        LinkedAccount: {
            /**
             * @description whoever opens it becomes the first administrator
             * @example true
             */
            isFirst: boolean;
            /**
             * @description name; '' of the first administrator, who says it
             * @example Rowan Teal
             */
            name: string;
            /**
             * @description mail address; '' of the first administrator
             * @example rowan.teal@pellwick.example
             */
            mail: string;
        };
        /**
         * NewSecondFactor
         * @description A secret that a phone makes one-time passwords of (RFC 6238)
         */
        NewSecondFactor: {
            /**
             * @description to be typed, base32
             * @example JBSWY3DPEHPK3PXP
             */
            secret: string;
            /**
             * @description to be shown as a code that a phone reads
             * @example otpauth://totp/…
             */
            address: string;
        };
        /**
         * OwnAccount
         * @description Of oneself
         */
        OwnAccount: {
            /**
             * @description number
             * @example 3
             */
            id: number;
            /**
             * @description under which all that they do is recorded
             * @example Rowan Teal
             */
            name: string;
            /**
             * @description mail address; '' without one
             * @example rowan.teal@pellwick.example
             */
            mail: string;
            /**
             * @description signs in here, and not at a provider alone
             * @example true
             */
            hasPassword: boolean;
            /**
             * @description signs in with a second factor
             * @example true
             */
            hasSecondFactor: boolean;
            /**
             * @description recovery codes that were not used yet
             * @example 10
             */
            recoveryCodes: number;
            /** @description what they were given */
            grants: components["schemas"]["Grant"][];
            /** @description where they are signed in, the one that was seen last first */
            sessions: {
                /**
                 * @description signed in
                 * @example 1772442480000
                 */
                madeMs: number;
                /**
                 * @description seen last
                 * @example 1772446480000
                 */
                seenMs: number;
                /**
                 * @description network address
                 * @example 10.0.0.7
                 */
                address: string;
                /**
                 * @description browser and system; '' where it says nothing of them
                 * @example Firefox 143, Windows desktop
                 */
                browser: string;
                /**
                 * @description the one that asks
                 * @example true
                 */
                isThis: boolean;
            }[];
        };
        /**
         * ProviderAddress
         * @description Where people sign in
         */
        ProviderAddress: {
            /**
             * @description page of the provider
             * @example https://sign-in.pellwick.example/authorize?…
             */
            url: string;
        };
        /**
         * RecoveryCodes
         * @description For who has lost the phone: each opens once; told once
         */
        RecoveryCodes: {
            /** @description ten of them */
            codes: string[];
        };
        /**
         * SessionState
         * @description Who is signed in, and what they may do
         */
        SessionState: {
            /** @description null while nobody is signed in */
            who: {
                /**
                 * @description number of the account
                 * @example 3
                 */
                id: number;
                /**
                 * @description under which all that they do is recorded
                 * @example Rowan Teal
                 */
                name: string;
            } | null;
            /**
             * @description looks at a demo without being signed in
             * @example true
             */
            isVisitor: boolean;
            /** @description what they may do, everywhere or about some application or team */
            rights: ("look" | "decide" | "send" | "answer" | "share" | "judge" | "upload" | "settings" | "records" | "accounts" | "persons" | "watch")[];
            /**
             * @description may nothing before they have set up a second factor
             * @example true
             */
            mustSetUpFactor: boolean;
            /**
             * @description the password was right; the second factor is still to be given
             * @example true
             */
            awaitsSecondFactor: boolean;
            /**
             * @description until when they are signed in at most; null of a visitor
             * @example 1772485680000
             */
            endsMs: number | null;
            /** @description people of the demo, as whom anybody on this machine may look; empty elsewhere */
            visitors: {
                /**
                 * @description number of the account
                 * @example 3
                 */
                id: number;
                /**
                 * @description name
                 * @example Rowan Teal
                 */
                name: string;
                /** @description what they are */
                roles: string[];
            }[];
            /**
             * @description name of the service where they can sign in as well; null without one
             * @example Pellwick sign-in
             */
            provider: string | null;
        };
        /**
         * SignedOut
         * @description Nobody is signed in here any more
         */
        SignedOut: {
            /**
             * @description page of the provider that signs out there as well; null of who signed in here
             * @example https://sign-in.pellwick.example/end?…
             */
            url: string | null;
        };
        /**
         * NewSecret
         * @description A secret of a key
         */
        NewSecret: {
            /**
             * @description number of the key
             * @example 3
             */
            id: number;
            /**
             * @description the only time that it is told
             * @example x7Qm…
             */
            secret: string;
        };
        /**
         * SenderKey
         * @description A key of what sends telemetry
         */
        SenderKey: {
            /**
             * @description number
             * @example 3
             */
            id: number;
            /**
             * @description what sends with it
             * @example service
             * @enum {string}
             */
            kind: "service" | "page" | "phone";
            /**
             * @description of services the source; of pages and phones the component that alone they may tell of
             * @example portal-browser
             */
            name: string;
            /** @description of pages: where they come from */
            origins: string[];
            /**
             * @description when it was made
             * @example 1772442480000
             */
            madeMs: number;
            /**
             * @description who made it
             * @example Ines Moor
             */
            madeBy: string;
            /**
             * @description nothing is taken with it any more
             * @example true
             */
            isRevoked: boolean;
            /**
             * @description when it was used last; null: never
             * @example 1772446480000
             */
            usedMs: number | null;
            /** @description its secrets that are still taken, the newest first: two while one replaces the other */
            secrets: {
                /**
                 * @description when it was made
                 * @example 1772442480000
                 */
                madeMs: number;
                /**
                 * @description until when it is taken; null: until another replaces it
                 * @example 1772528880000
                 */
                endsMs: number | null;
                /**
                 * @description when it was used last; null: never
                 * @example 1772446480000
                 */
                usedMs: number | null;
            }[];
        };
        /**
         * SenderKeyList
         * @description Keys of what sends telemetry, made here
         */
        SenderKeyList: {
            /** @description those that are revoked last */
            keys: components["schemas"]["SenderKey"][];
        };
        /**
         * ProbeLine
         * @description How a probe stands from one site
         */
        ProbeLine: {
            /**
             * @description name of the probe
             * @example Depot sign-in
             */
            probe: string;
            /**
             * @description name of the application that it checks
             * @example Depot Desk
             */
            application: string;
            /**
             * @description where it is run from
             * @example Brackwater
             */
            site: string;
            /**
             * @description the settings hold its script; else a runner of somebody else tells of it
             * @example true
             */
            isScripted: boolean;
            /**
             * @description so often it is to run
             * @example 300000
             */
            everyMs: number;
            /**
             * @description after its last runs: two in a row make it worse or better
             * @example broken
             * @enum {string}
             */
            standing: "broken" | "slow" | "probeTrouble" | "silent" | "good" | "unknown";
            /**
             * @description begin of the first run that this rests on; null while nothing is known
             * @example 1772442000000
             */
            sinceMs: number | null;
            /**
             * @description how it stands, in words
             * @example broken at Sign in: status 503
             */
            words: string;
            /**
             * @description why it is the site or the application, by its other sites; '' while it is not off
             * @example from most other sites it is well, so it is this site or its line
             */
            whereWords: string;
            /**
             * @description whom it is for by the rules of owners; null while it is not off, or nobody owns it
             * @example Sites & Network
             */
            team: string | null;
            /**
             * @description runs that came
             * @example 288
             */
            runs: number;
            /**
             * @description of them, well
             * @example 280
             */
            good: number;
            /**
             * @description of them, slow by a limit
             * @example 5
             */
            slow: number;
            /**
             * @description of them, broken
             * @example 2
             */
            broken: number;
            /**
             * @description of them, of a runner in trouble itself: they tell nothing of the application
             * @example 1
             */
            probeTrouble: number;
            /**
             * @description runs that should have come and did not
             * @example 0
             */
            missed: number;
            /**
             * @description runs during maintenance: counted nowhere else
             * @example 0
             */
            inMaintenance: number;
            /** @description share of telling runs that were not broken; null without any */
            reachable: components["schemas"]["Interval"] | null;
            /**
             * @description half of the telling runs took less
             * @example 1240
             */
            medianMs: number | null;
            /**
             * @description 19 of 20 took less
             * @example 2100
             */
            p95Ms: number | null;
            /**
             * @description what people say of the same
             * @example bothWell
             * @enum {string}
             */
            agreement: "bothWell" | "bothOff" | "probesAlone" | "peopleAlone" | "tooFewPeople" | "noProbe";
            /**
             * @description in words; '' where it means nothing
             * @example People at Brackwater are off as well.
             */
            agreementWords: string;
            /** @description the newest runs, oldest first */
            recent: {
                /**
                 * @description number of the run, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                id: string;
                /**
                 * @description when it began
                 * @example 1772442000000
                 */
                atMs: number;
                /**
                 * @description by the limits that were in force when it ran; probeTrouble: the runner itself
                 * @example good
                 * @enum {string}
                 */
                verdict: "good" | "slow" | "broken" | "probeTrouble";
                /**
                 * @description in words
                 * @example well
                 */
                words: string;
            }[];
        };
        /**
         * ProbePage
         * @description One probe: its sites, steps, runs, script and limits
         */
        ProbePage: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description name
             * @example Depot sign-in
             */
            name: string;
            /**
             * @description name of the application that it checks
             * @example Depot Desk
             */
            application: string;
            /**
             * @description so often it is to run
             * @example 300000
             */
            everyMs: number;
            /** @description its steps; null when the settings hold none */
            script: {
                [key: string]: unknown;
            }[] | null;
            /** @description two for a step: slow, and as good as broken */
            limits: {
                /**
                 * @description name of the step
                 * @example Sign in
                 */
                step: string;
                /**
                 * @description of this site alone; null: of all that have none of their own
                 * @example Brackwater
                 */
                site: string | null;
                /**
                 * @description slow from then on
                 * @example 2000
                 */
                slowMs: number;
                /**
                 * @description broken from then on
                 * @example 8000
                 */
                brokenMs: number;
            }[];
            /** @description of script, schedule and limits, newest first */
            changes: {
                /**
                 * @description when
                 * @example 1772442000000
                 */
                atMs: number;
                /**
                 * @description who
                 * @example Dana
                 */
                who: string;
                /**
                 * @description what, in words
                 * @example Sign in slow from 2 s, broken from 8 s at Brackwater
                 */
                words: string;
            }[];
            /** @description how it stands from each */
            sites: components["schemas"]["ProbeLine"][];
            /** @description each step from each site, or from the one that was asked for */
            steps: components["schemas"]["ProbeStepLine"][];
            /** @description the newest first */
            runs: {
                /**
                 * @description number of the run, 16 hexadecimal digits
                 * @example 00f067aa0ba902b7
                 */
                id: string;
                /**
                 * @description when it began
                 * @example 1772442000000
                 */
                atMs: number;
                /**
                 * @description where it ran
                 * @example Brackwater
                 */
                site: string;
                /**
                 * @description how long it took
                 * @example 1240
                 */
                durationMs: number;
                /**
                 * @description by the limits that were in force when it ran; probeTrouble: the runner itself
                 * @example good
                 * @enum {string}
                 */
                verdict: "good" | "slow" | "broken" | "probeTrouble";
                /**
                 * @description in words
                 * @example slow: Sign in took longer than 2 s
                 */
                words: string;
            }[];
            /**
             * @description runs in the window; more than are listed, perhaps
             * @example 2592
             */
            all: number;
        };
        /**
         * ProbeRunPage
         * @description One run of a probe, step by step
         */
        ProbeRunPage: {
            /**
             * @description number of the run, 16 hexadecimal digits
             * @example 00f067aa0ba902b7
             */
            id: string;
            /**
             * @description number of the trace, 32 hexadecimal digits
             * @example 4bf92f3577b34da6a3ce929d0e0e4736
             */
            traceId: string;
            /**
             * @description name of the probe
             * @example Depot sign-in
             */
            probe: string;
            /**
             * @description name of the application
             * @example Depot Desk
             */
            application: string;
            /**
             * @description where it ran
             * @example Brackwater
             */
            site: string;
            /**
             * @description name of the runner's host; '' when not told
             * @example brac-probe
             */
            host: string;
            /**
             * @description when it began
             * @example 1772442000000
             */
            atMs: number;
            /**
             * @description how long it took
             * @example 1240
             */
            durationMs: number;
            /**
             * @description by the limits that were in force when it ran; probeTrouble: the runner itself
             * @example good
             * @enum {string}
             */
            verdict: "good" | "slow" | "broken" | "probeTrouble";
            /**
             * @description in words
             * @example well
             */
            words: string;
            /**
             * @description what is wrong with the runner; '' when its self-check is well
             * @example its clock is 4 min ahead
             */
            fault: string;
            /**
             * @description why work was agreed on while it ran; '' when none was
             * @example migration
             */
            maintenance: string;
            /** @description in the order of the script */
            steps: {
                /**
                 * @description name of the step
                 * @example Sign in
                 */
                name: string;
                /**
                 * @description when it began, after the begin of the run
                 * @example 420
                 */
                startMs: number;
                /**
                 * @description how long it took
                 * @example 620
                 */
                durationMs: number;
                /**
                 * @description it failed
                 * @example true
                 */
                failed: boolean;
                /**
                 * @description why; '' when it did not
                 * @example status 503, expected below 400
                 */
                message: string;
                /**
                 * @description limit that was in force: slow
                 * @example 2000
                 */
                slowMs: number | null;
                /**
                 * @description limit that was in force: broken
                 * @example 8000
                 */
                brokenMs: number | null;
                /** @description of a request; null for what a browser did */
                parts: {
                    /**
                     * @description asking for the address of the name
                     * @example 4
                     */
                    nameMs: number;
                    /**
                     * @description connection and TLS
                     * @example 42
                     */
                    connectMs: number;
                    /**
                     * @description from the request to the first byte
                     * @example 540
                     */
                    waitMs: number;
                    /**
                     * @description from the first byte to the last
                     * @example 34
                     */
                    transferMs: number;
                } | null;
                /** @description where the time went; null where it is not told */
                layers: {
                    /**
                     * @description the runner and its browser
                     * @example 2
                     */
                    device: number;
                    /**
                     * @description all between it and the server
                     * @example 180
                     */
                    line: number;
                    /**
                     * @description the server, less its calls to stores
                     * @example 340
                     */
                    server: number;
                    /**
                     * @description calls to stores
                     * @example 98
                     */
                    store: number;
                } | null;
                /** @description services that took part, as their spans tell */
                services: string[];
            }[];
            /**
             * @description spans of it are kept
             * @example true
             */
            hasTrace: boolean;
        };
        /**
         * ProbeScripts
         * @description What a runner is to run at its site
         */
        ProbeScripts: {
            /**
             * @description the server's clock, by which a runner checks its own
             * @example 1772442000000
             */
            nowMs: number;
            /** @description by name */
            scripts: {
                /**
                 * @description name of the probe
                 * @example Depot sign-in
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Depot Desk
                 */
                application: string;
                /**
                 * @description so often it is to run
                 * @example 300
                 */
                everyS: number;
                /** @description in their order */
                steps: {
                    [key: string]: unknown;
                }[];
            }[];
        };
        /**
         * ProbeStepLine
         * @description A step of a probe from one site
         */
        ProbeStepLine: {
            /**
             * @description where it is run from
             * @example Brackwater
             */
            site: string;
            /**
             * @description name of the step
             * @example Sign in
             */
            step: string;
            /**
             * @description how often it ran
             * @example 288
             */
            runs: number;
            /**
             * @description of them, failed
             * @example 2
             */
            failed: number;
            /**
             * @description half of those that did not fail took less; null without any
             * @example 620
             */
            medianMs: number | null;
            /**
             * @description 19 of 20 took less
             * @example 980
             */
            p95Ms: number | null;
            /**
             * @description limit: slow from then on; null without one
             * @example 2000
             */
            slowMs: number | null;
            /**
             * @description limit: broken from then on
             * @example 8000
             */
            brokenMs: number | null;
            /**
             * @description the limit is of this site alone
             * @example true
             */
            isOwnLimit: boolean;
            /**
             * @description that took longer than the first limit as it is now
             * @example 5
             */
            overSlow: number;
            /**
             * @description that took longer than the second
             * @example 0
             */
            overBroken: number;
        };
        /**
         * Probes
         * @description Every scripted check from every site
         */
        Probes: {
            /** @description what was looked at */
            window: components["schemas"]["Window"];
            /**
             * @description how they stand together
             * @example All is well: 9 probes at their sites.
             */
            sentence: string;
            /**
             * @description more runs came than are looked at: so many of the newest were; null when all were
             * @example 20000
             */
            most: number | null;
            /** @description the worst first */
            lines: components["schemas"]["ProbeLine"][];
        };
        /**
         * Standing
         * @description Every application in three words, and every activity
         */
        Standing: {
            /** @description what was counted: of a long window its last day */
            window: components["schemas"]["Window"];
            /** @description in order of the alphabet */
            applications: {
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description flows that people walk in it
                 * @example 7
                 */
                flows: number;
                /** @description of attempts that did not fail, those in time by the limit that judges each */
                speed: {
                    /**
                     * @description against what is usual; unknown: nothing is learned yet, or fewer than thirty came
                     * @example asUsual
                     * @enum {string}
                     */
                    word: "asUsual" | "worse" | "farWorse" | "unknown";
                    /** @description share of good ones, with its 95 % interval (Wilson); null without any */
                    good: components["schemas"]["Interval"] | null;
                };
                /** @description of all attempts, those that did not fail */
                answers: {
                    /**
                     * @description against what is usual; unknown: nothing is learned yet, or fewer than thirty came
                     * @example asUsual
                     * @enum {string}
                     */
                    word: "asUsual" | "worse" | "farWorse" | "unknown";
                    /** @description share of good ones, with its 95 % interval (Wilson); null without any */
                    good: components["schemas"]["Interval"] | null;
                };
                /** @description how much it is used */
                use: {
                    /**
                     * @description against what is expected at this time of the week
                     * @example asUsual
                     * @enum {string}
                     */
                    word: "asUsual" | "less" | "none" | "more" | "unknown";
                    /**
                     * @description attempts that came
                     * @example 1840
                     */
                    attempts: number;
                    /**
                     * @description begin of the usual range
                     * @example 1600
                     */
                    low: number;
                    /**
                     * @description end of it
                     * @example 2100
                     */
                    high: number;
                };
            }[];
            /** @description flows that people walk and that anybody walked in the window */
            activities: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                id: number;
                /**
                 * @description name of the flow
                 * @example Print labels
                 */
                name: string;
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description attempts that came
                 * @example 1840
                 */
                attempts: number;
                /**
                 * @description attempts that were late, hung or failed
                 * @example 212
                 */
                outside: number;
                /**
                 * @description people active, each counted once
                 * @example 128
                 */
                people: number;
                /**
                 * @description of them, people who met a late, hung or failed attempt
                 * @example 31
                 */
                peopleOver: number;
                /**
                 * @description usual duration; null while nothing is learned
                 * @example 400
                 */
                usualMs: number | null;
                /**
                 * @description half took less; null without any
                 * @example 420
                 */
                currentMs: number | null;
                /**
                 * @description learned limit; null while nothing is learned
                 * @example 800
                 */
                learnedLimitMs: number | null;
                /**
                 * @description the owner's limit, which judges where there is one; null without one
                 * @example 1000
                 */
                agreedLimitMs: number | null;
                /** @description as far as sites are told */
                sites: {
                    /**
                     * @description name of the site
                     * @example North
                     */
                    site: string;
                    /**
                     * @description attempts that came
                     * @example 420
                     */
                    valid: number;
                    /**
                     * @description of them, those in time
                     * @example 410
                     */
                    good: number;
                }[];
            }[];
        };
        /**
         * BriefPage
         * @description The brief as it would be sent
         */
        BriefPage: {
            /** @description the brief for machines */
            brief: {
                [key: string]: unknown;
            };
            /**
             * @description the brief as Markdown
             * @example
             */
            markdown: string;
        };
        /**
         * FixProof
         * @description What the figures of an incident say after a reported fix
         */
        FixProof: {
            /**
             * @description number of the incident
             * @example 7
             */
            incident: number;
            /**
             * @description when the trouble began
             * @example 1772442840000
             */
            onsetMs: number;
            /**
             * @description when the fix was reported
             * @example 1772445600000
             */
            fixMs: number;
            /**
             * @description from when on figures count
             * @example 1772445900000
             */
            fromMs: number;
            /**
             * @description up to when they came
             * @example 1772447400000
             */
            toMs: number;
            /**
             * @description so often it is told anew
             * @example 300000
             */
            stepMs: number;
            /**
             * @description the time is over that a fix has to reach everybody
             * @example true
             */
            isEffective: boolean;
            /**
             * @description what they say
             * @example watching
             * @enum {string}
             */
            verdict: "watching" | "proven" | "inPart" | "notProven";
            /** @description of the whole incident */
            remaining: components["schemas"]["LeftOver"];
            /** @description the same as it was told after each step */
            course: components["schemas"]["LeftOver"][];
            /** @description its flows, and what was wrong with each */
            parts: {
                /**
                 * @description number of the flow
                 * @example 3
                 */
                flowId: number;
                /**
                 * @description name of the flow
                 * @example Book a pick-up
                 */
                flow: string;
                /**
                 * @description what was wrong
                 * @example slow
                 * @enum {string}
                 */
                signal: "slow" | "failing" | "missing";
                /**
                 * @description share of the attempts gone wrong before the fix; of what is missing, that came
                 * @example 0.24
                 */
                before: number | null;
                /**
                 * @description the same since the fix
                 * @example 0.005
                 */
                since: number | null;
                /**
                 * @description the same as usual
                 * @example 0.004
                 */
                usual: number | null;
                /**
                 * @description attempts since the fix
                 * @example 310
                 */
                attempts: number;
                /** @description of this part by itself */
                remaining: components["schemas"]["LeftOver"];
                /**
                 * @description beyond chance it goes on
                 * @example true
                 */
                isStillThere: boolean;
            }[];
            /**
             * @description with traffic like this it can be told so much later; null when it is told
             * @example 1800000
             */
            waitsMs: number | null;
            /**
             * @description a day has passed: what cannot be told by then is not told
             * @example true
             */
            isCut: boolean;
            /** @description where what goes on comes from; null where nothing goes on, or no trace tells */
            behind: {
                /**
                 * @description name of the component
                 * @example slots
                 */
                component: string;
                /**
                 * @description what speaks for it
                 * @example most of the time is lost in it
                 */
                words: string;
                /**
                 * @description it is not the one that the incident was thought to come from
                 * @example true
                 */
                isAnother: boolean;
                /**
                 * @description team that owns it; '' when no rule says
                 * @example Slots Team
                 */
                team: string;
                /**
                 * @description why, in words
                 * @example owns component slots (rule 3)
                 */
                reason: string;
            } | null;
        };
        /**
         * Handoff
         * @description A handoff with what was told and what happened to it
         */
        Handoff: {
            /**
             * @description identity of the handoff (UUID)
             * @example 9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01
             */
            id: string;
            /**
             * @description number of the incident
             * @example 7
             */
            incident: number;
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string;
            /**
             * @description state
             * @example draft
             * @enum {string}
             */
            state: "draft" | "kept" | "notDelivered" | "sent" | "taken" | "returned" | "merged" | "fixReported" | "watching" | "proven" | "inPart" | "notProven";
            /**
             * @description what the sender adds
             * @example please look at the gateway first
             */
            note: string;
            /**
             * @description when it was sent, as ISO 8601 in UTC
             * @example 2026-03-02T09:20:00.000Z
             */
            createdAt: string;
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description harm when it was sent
             * @example 410
             */
            harmPoints: number;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /** @description what was looked at */
            window: {
                /**
                 * @description begin, as ISO 8601 in UTC
                 * @example 2026-03-02T09:00:00.000Z
                 */
                from: string;
                /**
                 * @description end, as ISO 8601 in UTC
                 * @example 2026-03-02T10:00:00.000Z
                 */
                to: string;
            };
            /**
             * @description what the team is asked for: to end the cause, or to work around it
             * @example cause
             * @enum {string}
             */
            purpose: "cause" | "workaround";
            /**
             * @description of the incident when it was sent; null when that was not kept
             * @example P1
             */
            priority: ("P1" | "P2" | "P3" | "P4") | null;
            /**
             * @description name of its first flow
             * @example Book a pick-up
             */
            flow: string;
            /**
             * @description since when it is in its state, as ISO 8601 in UTC
             * @example 2026-03-02T09:24:00.000Z
             */
            stateAt: string;
            /** @description for what it waits; null when it waits for no team */
            waits: {
                /**
                 * @description what it waits for
                 * @example accept
                 * @enum {string}
                 */
                for: "accept" | "fix";
                /**
                 * @description when that was due
                 * @example 1772446500000
                 */
                dueMs: number;
                /**
                 * @description it waits longer than it may
                 * @example true
                 */
                isLate: boolean;
            } | null;
            /** @description what the figures said after the newest reported fix; null before */
            outcome: components["schemas"]["Outcome"] | null;
            /** @description the brief for machines */
            brief: {
                [key: string]: unknown;
            };
            /**
             * @description the brief as Markdown
             * @example
             */
            markdown: string;
            /** @description what happened to it, in order of time */
            trail: {
                /**
                 * @description when, as ISO 8601 in UTC
                 * @example 2026-03-02T09:14:00.000Z
                 */
                at: string;
                /**
                 * @description what it was
                 * @example
                 */
                what: string;
                /**
                 * @description more, for people
                 * @example
                 */
                detail: string;
            }[];
            /** @description how long each stage took */
            times: {
                /**
                 * @description from the onset until it was known; null when it has not come so far
                 * @example 420000
                 */
                detect: number | null;
                /**
                 * @description until it was sent; null when it has not come so far
                 * @example 420000
                 */
                send: number | null;
                /**
                 * @description until it was accepted; null when it has not come so far
                 * @example 420000
                 */
                accept: number | null;
                /**
                 * @description until a fix was reported; null when it has not come so far
                 * @example 420000
                 */
                fix: number | null;
                /**
                 * @description until it was proven; null when it has not come so far
                 * @example 420000
                 */
                prove: number | null;
            };
            /** @description of one that came back: who should get it next; null when nobody is left, or it did not come back */
            next: {
                /**
                 * @description name of the team
                 * @example Routing Team
                 */
                team: string;
                /**
                 * @description why, in words
                 * @example owns component routing, the next likely origin
                 */
                reason: string;
            } | null;
            /** @description pages of it that open without a login, newest first */
            links: components["schemas"]["SharedLink"][];
        };
        /**
         * HandoffMark
         * @description The newest handoff of an incident
         */
        HandoffMark: {
            /**
             * @description identity of the handoff (UUID)
             * @example 9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01
             */
            id: string;
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string;
            /**
             * @description state
             * @example draft
             * @enum {string}
             */
            state: "draft" | "kept" | "notDelivered" | "sent" | "taken" | "returned" | "merged" | "fixReported" | "watching" | "proven" | "inPart" | "notProven";
        };
        /**
         * HandoffSummary
         * @description A handoff
         */
        HandoffSummary: {
            /**
             * @description identity of the handoff (UUID)
             * @example 9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01
             */
            id: string;
            /**
             * @description number of the incident
             * @example 7
             */
            incident: number;
            /**
             * @description name of the team
             * @example Slots Team
             */
            team: string;
            /**
             * @description state
             * @example draft
             * @enum {string}
             */
            state: "draft" | "kept" | "notDelivered" | "sent" | "taken" | "returned" | "merged" | "fixReported" | "watching" | "proven" | "inPart" | "notProven";
            /**
             * @description what the sender adds
             * @example please look at the gateway first
             */
            note: string;
            /**
             * @description when it was sent, as ISO 8601 in UTC
             * @example 2026-03-02T09:20:00.000Z
             */
            createdAt: string;
            /**
             * @description headline of the incident
             * @example Fails for 24 %, usually 0.4 %: Book a pick-up
             */
            title: string;
            /**
             * @description harm when it was sent
             * @example 410
             */
            harmPoints: number;
            /**
             * @description persons, each counted once
             * @example 128
             */
            people: number;
            /** @description what was looked at */
            window: {
                /**
                 * @description begin, as ISO 8601 in UTC
                 * @example 2026-03-02T09:00:00.000Z
                 */
                from: string;
                /**
                 * @description end, as ISO 8601 in UTC
                 * @example 2026-03-02T10:00:00.000Z
                 */
                to: string;
            };
            /**
             * @description what the team is asked for: to end the cause, or to work around it
             * @example cause
             * @enum {string}
             */
            purpose: "cause" | "workaround";
            /**
             * @description of the incident when it was sent; null when that was not kept
             * @example P1
             */
            priority: ("P1" | "P2" | "P3" | "P4") | null;
            /**
             * @description name of its first flow
             * @example Book a pick-up
             */
            flow: string;
            /**
             * @description since when it is in its state, as ISO 8601 in UTC
             * @example 2026-03-02T09:24:00.000Z
             */
            stateAt: string;
            /** @description for what it waits; null when it waits for no team */
            waits: {
                /**
                 * @description what it waits for
                 * @example accept
                 * @enum {string}
                 */
                for: "accept" | "fix";
                /**
                 * @description when that was due
                 * @example 1772446500000
                 */
                dueMs: number;
                /**
                 * @description it waits longer than it may
                 * @example true
                 */
                isLate: boolean;
            } | null;
            /** @description what the figures said after the newest reported fix; null before */
            outcome: components["schemas"]["Outcome"] | null;
        };
        /**
         * HandoffTimes
         * @description How long handoffs took, as medians
         */
        HandoffTimes: {
            /**
             * @description of the last so many months
             * @example 6
             */
            months: number;
            /** @description by team */
            byTeam: {
                /**
                 * @description name of the group
                 * @example Slots Team
                 */
                name: string;
                /**
                 * @description handoffs
                 * @example 12
                 */
                handoffs: number;
                /**
                 * @description of them returned
                 * @example 1
                 */
                returned: number;
                /**
                 * @description of them proven
                 * @example 9
                 */
                proven: number;
                /**
                 * @description from the onset until it was known; null when it has not come so far
                 * @example 420000
                 */
                detect: number | null;
                /**
                 * @description until it was sent; null when it has not come so far
                 * @example 420000
                 */
                send: number | null;
                /**
                 * @description until it was accepted; null when it has not come so far
                 * @example 420000
                 */
                accept: number | null;
                /**
                 * @description until a fix was reported; null when it has not come so far
                 * @example 420000
                 */
                fix: number | null;
                /**
                 * @description until it was proven; null when it has not come so far
                 * @example 420000
                 */
                prove: number | null;
            }[];
            /** @description by the first flow of the incident */
            byFlow: {
                /**
                 * @description name of the group
                 * @example Slots Team
                 */
                name: string;
                /**
                 * @description handoffs
                 * @example 12
                 */
                handoffs: number;
                /**
                 * @description of them returned
                 * @example 1
                 */
                returned: number;
                /**
                 * @description of them proven
                 * @example 9
                 */
                proven: number;
                /**
                 * @description from the onset until it was known; null when it has not come so far
                 * @example 420000
                 */
                detect: number | null;
                /**
                 * @description until it was sent; null when it has not come so far
                 * @example 420000
                 */
                send: number | null;
                /**
                 * @description until it was accepted; null when it has not come so far
                 * @example 420000
                 */
                accept: number | null;
                /**
                 * @description until a fix was reported; null when it has not come so far
                 * @example 420000
                 */
                fix: number | null;
                /**
                 * @description until it was proven; null when it has not come so far
                 * @example 420000
                 */
                prove: number | null;
            }[];
            /** @description by month, as YYYY-MM */
            byMonth: {
                /**
                 * @description name of the group
                 * @example Slots Team
                 */
                name: string;
                /**
                 * @description handoffs
                 * @example 12
                 */
                handoffs: number;
                /**
                 * @description of them returned
                 * @example 1
                 */
                returned: number;
                /**
                 * @description of them proven
                 * @example 9
                 */
                proven: number;
                /**
                 * @description from the onset until it was known; null when it has not come so far
                 * @example 420000
                 */
                detect: number | null;
                /**
                 * @description until it was sent; null when it has not come so far
                 * @example 420000
                 */
                send: number | null;
                /**
                 * @description until it was accepted; null when it has not come so far
                 * @example 420000
                 */
                accept: number | null;
                /**
                 * @description until a fix was reported; null when it has not come so far
                 * @example 420000
                 */
                fix: number | null;
                /**
                 * @description until it was proven; null when it has not come so far
                 * @example 420000
                 */
                prove: number | null;
            }[];
        };
        /**
         * Handoffs
         * @description Handoffs, newest first
         */
        Handoffs: {
            /** @description handoffs, newest first */
            handoffs: components["schemas"]["HandoffSummary"][];
        };
        /**
         * LeftOver
         * @description How much of the harm goes on, as a share of what went on before the fix
         */
        LeftOver: {
            /**
             * @description likeliest; null while nothing tells
             * @example 0.04
             */
            share: number | null;
            /**
             * @description lower end of a range that stays true however often it is asked
             * @example 0.01
             */
            low: number | null;
            /**
             * @description its upper end
             * @example 0.08
             */
            high: number | null;
        };
        /**
         * Outcome
         * @description What became of a handoff after the newest reported fix
         */
        Outcome: {
            /** @description what the figures said when it was told */
            proof: components["schemas"]["FixProof"];
            /** @description all that it cost; null where it cannot be told */
            total: {
                /**
                 * @description harm
                 * @example 5120
                 */
                harm: number;
                /**
                 * @description money not earned
                 * @example 1840
                 */
                money: number;
                /**
                 * @description currency, ISO 4217
                 * @example EUR
                 */
                currency: string;
                /**
                 * @description persons, each counted once
                 * @example 412
                 */
                people: number;
                /** @description promises whose budget it spent, a sentence each */
                promises: string[];
                /**
                 * @description onset
                 * @example 1772442000000
                 */
                fromMs: number;
                /**
                 * @description up to when it is counted
                 * @example 1772447400000
                 */
                toMs: number;
            } | null;
        };
        /**
         * SharedLink
         * @description A page that opens without a login until it ends
         */
        SharedLink: {
            /**
             * @description identity (UUID)
             * @example 9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01
             */
            id: string;
            /**
             * @description brief: to read; answer: its team may answer there as well; board: all its tiles; tile: one of them
             * @example brief
             * @enum {string}
             */
            kind: "brief" | "answer" | "board" | "tile";
            /**
             * @description of a tile: its title; '' else
             * @example People hurt
             */
            about: string;
            /**
             * @description when it was made, as ISO 8601 in UTC
             * @example 2026-03-02T09:20:00.000Z
             */
            madeAt: string;
            /**
             * @description when it ends
             * @example 2026-03-09T09:20:00.000Z
             */
            endsAt: string;
            /**
             * @description when it was revoked; null when it was not
             * @example 2026-03-03T09:20:00.000Z
             */
            revokedAt: string | null;
            /**
             * @description so often it was opened
             * @example 3
             */
            uses: number;
            /**
             * @description the link; null after it was made: its secret is not kept
             * @example https://toplens.example/shared/4f…
             */
            url: string | null;
        };
        /**
         * Board
         * @description What a role wants to see, in its order
         */
        Board: {
            /**
             * @description tells it apart from others
             * @example Duty desk
             */
            name: string;
            /**
             * @description the role that it is for
             * @example Whoever is on duty
             */
            for?: string;
            /**
             * @description on a wall: so long until the next tiles
             * @example 30
             */
            turnSeconds?: number;
            /** @description its tiles, in their order */
            tiles: components["schemas"]["BoardTile"][];
        };
        /**
         * BoardTile
         * @description What a tile of a board shows
         */
        BoardTile: {
            /**
             * @description which view
             * @example list
             * @enum {string}
             */
            shows: "list" | "figure" | "curve" | "promise" | "journey" | "feed" | "map" | "text";
            /**
             * @description over it; made of what it shows when left out
             * @example Right now
             */
            title?: string;
            /**
             * @description name of the flow, promise or journey; the one that is worst off when left out
             * @example Book a pick-up
             */
            of?: string;
            /**
             * @description which figure
             * @example people
             * @enum {string}
             */
            figure?: "people" | "harm" | "money" | "failed" | "crashes";
            /**
             * @description of a curve; what is in trouble when left out
             * @example duration
             * @enum {string}
             */
            measure?: "duration" | "failures" | "attempts" | "underWay";
            /**
             * @description of a feed: only this kind
             * @example opened
             * @enum {string}
             */
            kind?: "opened" | "over" | "early" | "handoff" | "proven" | "promise" | "crash" | "alert" | "release" | "change";
            /**
             * @description length of its window; an hour when left out
             * @example 60
             */
            minutes?: number;
            /**
             * @description rows at most
             * @example 5
             */
            most?: number;
            /**
             * @description only this application
             * @example Courier app
             */
            application?: string;
            /**
             * @description only what this team has or should get
             * @example Slots Team
             */
            team?: string;
            /** @description only these values, by dimension */
            where?: {
                [key: string]: unknown;
            };
            /**
             * @description of a text
             * @example Call the duty manager before you send anything out
             */
            text?: string;
        };
        /**
         * ReadCalendar
         * @description What a calendar file would set
         */
        ReadCalendar: {
            /** @description days and times that are not as usual */
            calendar: {
                /** @description days, as YYYY-MM-DD */
                holidays: string[];
                /** @description times that nothing is learned from */
                excluded: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
                /** @description agreed work on the systems: promises do not count it, and nothing is learned from it */
                maintenance: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
            };
            /** @description what could not be taken as it stands, a sentence each */
            notes: string[];
        };
        /**
         * Settings
         * @description Rates, calendar, and every change of a setting
         */
        Settings: {
            /**
             * @description currency of all amounts, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description harm of one of each kind */
            rates: {
                /**
                 * @description harm of one minute waited
                 * @example 1
                 */
                waiting: number;
                /**
                 * @description harm of one attempt that failed
                 * @example 5
                 */
                failed: number;
                /**
                 * @description harm of one person who left
                 * @example 15
                 */
                left: number;
                /**
                 * @description harm of one attempt that never came
                 * @example 5
                 */
                missing: number;
                /**
                 * @description harm of one unit of currency
                 * @example 0.2
                 */
                money: number;
                /**
                 * @description what harm to key customers is multiplied by
                 * @example 3
                 */
                keyMultiplier: number;
            };
            /** @description tiers whose people count more */
            keyTiers: string[];
            /** @description days and times that are not as usual */
            calendar: {
                /** @description days, as YYYY-MM-DD */
                holidays: string[];
                /** @description times that nothing is learned from */
                excluded: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
                /** @description agreed work on the systems: promises do not count it, and nothing is learned from it */
                maintenance: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
            };
            /** @description all settings as they are now, without what single flows and journeys were given in place */
            file: components["schemas"]["SettingsFile"];
            /** @description what environment variables said at the start */
            installation: {
                /** @description for how long each kind of telemetry is kept where settings say nothing */
                keptDays: {
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    attempts: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    traces: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    logs: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    metrics: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    pageLoads: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    crashes: number;
                    /**
                     * @description kept for so long
                     * @example 35
                     */
                    phoneSessions: number;
                };
                /** @description keys of pages, without the keys themselves */
                browserKeys: {
                    /**
                     * @description whose pages send with it
                     * @example portal-browser
                     */
                    component: string;
                    /** @description where those pages come from */
                    origins: string[];
                }[];
                /**
                 * @description there is a desk that handoffs go to
                 * @example true
                 */
                hasDesk: boolean;
                /** @description who may see persons */
                seesPersons: string[];
            };
            /** @description what was changed, newest first */
            changes: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description begin
                 * @example 1772442000000
                 */
                fromMs: number;
                /**
                 * @description who did it
                 * @example Dana
                 */
                who: string;
                /**
                 * @description key of its settings
                 * @example flow Courier app Log on
                 */
                key: string;
                /**
                 * @description what the change is of, in words
                 * @example Courier app: Log on
                 */
                about: string;
                /**
                 * @description in words
                 * @example
                 */
                words: string;
                /**
                 * @description number of the change that it takes back; null when it takes back none
                 * @example 3
                 */
                undoes: number | null;
                /**
                 * @description a later change took it back
                 * @example true
                 */
                isUndone: boolean;
            }[];
        };
        /**
         * SettingsFile
         * @description All settings, as a file holds them
         */
        SettingsFile: {
            /**
             * @description currency of all bills, ISO 4217
             * @example EUR
             */
            currency: string;
            /** @description by which values in other currencies are converted */
            exchangeRates: {
                /**
                 * @description another currency, ISO 4217
                 * @example JPY
                 */
                currency: string;
                /**
                 * @description what one unit of it is in the bills' currency
                 * @example 0.0061
                 */
                rate: number;
                /**
                 * @description day of that rate, as YYYY-MM-DD
                 * @example 2026-11-02
                 */
                asOf: string;
            }[];
            /** @description rules: the first that matches a flow says what it is called, and how it is judged */
            flows: {
                /**
                 * @description name of the application; any when left out
                 * @example Courier app
                 */
                application?: string;
                /**
                 * @description method and route, screen, or name of the span; * stands for any text
                 * @example POST /pick-ups
                 */
                technicalName: string;
                /**
                 * @description what business people call it
                 * @example Book a pick-up
                 */
                name?: string;
                /**
                 * @description an attempt that takes longer is late
                 * @example 800
                 */
                limitMs?: number;
                /** @description limits of single sites, ms by name */
                siteLimitsMs?: {
                    [key: string]: unknown;
                };
                /** @description limits of steps inside it, ms by component and operation */
                stepLimitsMs?: {
                    [key: string]: unknown;
                };
                /**
                 * @description multiplies its harm; 1 is as any other
                 * @example 1
                 */
                importance?: number;
                /** @description what was promised, and what breaking it costs */
                agreement?: {
                    /**
                     * @description share of the attempts of a period that is promised to be in time
                     * @example 0.995
                     */
                    target: number;
                    /**
                     * @description length of the period
                     * @example 30
                     */
                    days: number;
                    /**
                     * @description what breaking it costs
                     * @example 4000
                     */
                    penalty: number;
                };
            }[];
            /** @description services whose server spans begin attempts although they have a parent */
            entryServices: string[];
            /** @description technical names of what is no flow; * stands for any text */
            ignored: string[];
            /**
             * @description what is answered sooner is never late where somebody waits, unless an owner's limit says so
             * @example 100
             */
            atOnceMs: number;
            /** @description rules: the first that matches names the team */
            ownership: {
                /**
                 * @description name of the application; any when left out
                 * @example Courier app
                 */
                application?: string;
                /**
                 * @description name of the flow; * stands for any text
                 * @example Track*
                 */
                flow?: string;
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component?: string;
                /**
                 * @description name of the team
                 * @example Slots Team
                 */
                team: string;
            }[];
            /** @description harm of one of each kind */
            rates: {
                /**
                 * @description harm of one minute waited
                 * @example 1
                 */
                waiting: number;
                /**
                 * @description harm of one attempt that failed
                 * @example 5
                 */
                failed: number;
                /**
                 * @description harm of one person who left
                 * @example 15
                 */
                left: number;
                /**
                 * @description harm of one attempt that never came
                 * @example 5
                 */
                missing: number;
                /**
                 * @description harm of one unit of currency
                 * @example 0.2
                 */
                money: number;
                /**
                 * @description what harm to key customers is multiplied by
                 * @example 3
                 */
                keyMultiplier: number;
                /** @description tiers whose people count more */
                keyTiers: string[];
            };
            /** @description ways that people named */
            journeys: {
                /**
                 * @description name of the application
                 * @example Courier app
                 */
                application: string;
                /**
                 * @description name of the journey
                 * @example Send a parcel
                 */
                name: string;
                /** @description technical names of its flows, first step first */
                steps: string[];
            }[];
            /** @description lines of logs that tell of business events */
            businessEvents: {
                /**
                 * @description name of the event
                 * @example Insure a parcel
                 */
                name: string;
                /**
                 * @description whose lines; of every component when left out
                 * @example payments
                 */
                component?: string;
                /**
                 * @description of the whole line: * for any text, {amount}, {currency}, {person} … for what is read
                 * @example insured for {person}: {amount} {currency}
                 */
                pattern: string;
            }[];
            /** @description service levels: what was promised to whom */
            promises: {
                /**
                 * @description name; tells it apart from others
                 * @example Labels for partners
                 */
                name: string;
                /**
                 * @description to whom it was given
                 * @example Partners
                 */
                to?: string;
                /**
                 * @description whose attempts count; of every application when left out
                 * @example Shipper Link
                 */
                application?: string;
                /**
                 * @description name or technical name of the flows; * stands for any text
                 * @example POST /v2/labels
                 */
                flow?: string;
                /**
                 * @description what it counts, and what makes that good
                 * @example answered
                 * @enum {string}
                 */
                indicator: "answered" | "inTime" | "people" | "views" | "crashFree" | "reachable";
                /**
                 * @description with inTime and people: its own limit; left out: the limit that judges each
                 * @example 1200
                 */
                limitMs?: number;
                /**
                 * @description with people: share of somebody's attempts that must be in time
                 * @example 0.9
                 */
                personShare?: number;
                /**
                 * @description share that is promised to be good
                 * @example 0.995
                 */
                target: number;
                /** @description over what it is kept */
                period: {
                    /**
                     * @description the days up to now, or a week or month of the calendar
                     * @example rolling
                     * @enum {string}
                     */
                    kind: "rolling" | "week" | "month";
                    /**
                     * @description length of a rolling one
                     * @example 30
                     */
                    days?: number;
                    /**
                     * @description time zone of a week or month, by its IANA name
                     * @example Europe/Dublin
                     */
                    zone?: string;
                };
                /** @description when it counts; always when left out */
                hours?: {
                    /**
                     * @description time zone, by its IANA name
                     * @example Europe/Dublin
                     */
                    zone: string;
                    /** @description days of the week, 1 for Monday */
                    days: number[];
                    /**
                     * @description time of the day, in steps of five minutes
                     * @example 08:00
                     */
                    from: string;
                    /**
                     * @description time of the day, after that
                     * @example 18:00
                     */
                    to: string;
                };
                /** @description stretches that do not count */
                excluded: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example maintenance
                     */
                    reason: string;
                }[];
                /** @description steps of what breaking it costs, the highest share first */
                penalties: {
                    /**
                     * @description due when less than this share was good
                     * @example 0.995
                     */
                    below: number;
                    /**
                     * @description what it costs
                     * @example 4000
                     */
                    amount: number;
                }[];
            }[];
            /** @description scripted checks */
            probes: {
                /**
                 * @description name; tells it apart from others
                 * @example Depot sign-in
                 */
                name: string;
                /**
                 * @description name of the application that it checks
                 * @example Depot Desk
                 */
                application: string;
                /** @description places that it is run from */
                sites: string[];
                /**
                 * @description so often it is run
                 * @example 300
                 */
                everyS: number;
                /** @description what it does, in order */
                steps: {
                    /**
                     * @description name; tells it apart from the other steps
                     * @example Sign in
                     */
                    name: string;
                    /**
                     * @description what it does
                     * @example request
                     * @enum {string}
                     */
                    kind: "request" | "open" | "type" | "tap" | "see";
                    /**
                     * @description what is asked or opened; {{name}} for what the runner is told
                     * @example https://desk.example/
                     */
                    url?: string;
                    /**
                     * @description of a request; GET when left out
                     * @example GET
                     * @enum {string}
                     */
                    method?: "GET" | "HEAD" | "POST" | "PUT" | "PATCH" | "DELETE" | "OPTIONS";
                    /** @description of a request, texts by their names */
                    headers?: {
                        [key: string]: unknown;
                    };
                    /**
                     * @description of a request
                     * @example {"depot":"Brackwater"}
                     */
                    body?: string;
                    /**
                     * @description element, as CSS selects it
                     * @example #user
                     */
                    selector?: string;
                    /**
                     * @description what is typed, or is to be seen
                     * @example Good morning
                     */
                    text?: string;
                    /**
                     * @description HTTP status that is expected; any below 400 when left out
                     * @example 200
                     */
                    status?: number;
                    /**
                     * @description text that the answer must hold
                     * @example signed in
                     */
                    contains?: string;
                    /** @description values that the answer must hold */
                    json?: {
                        /**
                         * @description where it stands, as JSONPath
                         * @example $.status
                         */
                        path: string;
                        /**
                         * @description what must stand there
                         * @example up
                         */
                        equals: string | number | boolean;
                    }[];
                }[];
                /** @description by which runs are judged */
                limits: {
                    /**
                     * @description name of the step
                     * @example Sign in
                     */
                    step: string;
                    /**
                     * @description of this site alone; of all that have none of their own when left out
                     * @example Brackwater
                     */
                    site?: string;
                    /**
                     * @description slow from then on
                     * @example 2000
                     */
                    slowMs: number;
                    /**
                     * @description broken from then on
                     * @example 8000
                     */
                    brokenMs: number;
                }[];
            }[];
            /** @description how long handoffs may wait, and how a reported fix is watched */
            handoffs: {
                /** @description how long a handoff may wait at most, by priority */
                mayWait: {
                    /** @description minutes at most */
                    P1: {
                        /**
                         * @description until it is accepted
                         * @example 15
                         */
                        accept: number;
                        /**
                         * @description from then on until a fix is reported
                         * @example 240
                         */
                        fix: number;
                    };
                    /** @description minutes at most */
                    P2: {
                        /**
                         * @description until it is accepted
                         * @example 15
                         */
                        accept: number;
                        /**
                         * @description from then on until a fix is reported
                         * @example 240
                         */
                        fix: number;
                    };
                    /** @description minutes at most */
                    P3: {
                        /**
                         * @description until it is accepted
                         * @example 15
                         */
                        accept: number;
                        /**
                         * @description from then on until a fix is reported
                         * @example 240
                         */
                        fix: number;
                    };
                    /** @description minutes at most */
                    P4: {
                        /**
                         * @description until it is accepted
                         * @example 15
                         */
                        accept: number;
                        /**
                         * @description from then on until a fix is reported
                         * @example 240
                         */
                        fix: number;
                    };
                };
                /**
                 * @description after a reported fix nothing is counted for so long
                 * @example 5
                 */
                settleMinutes: number;
                /**
                 * @description a fix is proven after so long at the earliest
                 * @example 15
                 */
                calmMinutes: number;
            };
            /** @description for how long each kind of telemetry is kept */
            retention: {
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                attempts: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                traces: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                logs: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                metrics: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                pageLoads: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                crashes: number | null;
                /**
                 * @description kept for so long; null: as the installation says
                 * @example 14
                 */
                phoneSessions: number | null;
            };
            /** @description who is told of trouble, by what ways */
            receivers: {
                /**
                 * @description name; a team's own is called like the team
                 * @example Slots Team
                 */
                name: string;
                /**
                 * @description mail address
                 * @example slots@toplens.example
                 */
                mail?: string;
                /**
                 * @description telephone number for short messages
                 * @example +353 1 555 0100
                 */
                phone?: string;
                /**
                 * @description takes CloudEvents 1.0 by HTTP POST
                 * @example https://chat.example/hook
                 */
                webhook?: string;
                /** @description nothing but what is broken between these */
                quiet?: {
                    /**
                     * @description time of the day
                     * @example 22:00
                     */
                    from: string;
                    /**
                     * @description time of the day
                     * @example 06:00
                     */
                    to: string;
                    /**
                     * @description time zone, by its IANA name
                     * @example Europe/Dublin
                     */
                    zone: string;
                };
                /**
                 * @description a calendar (RFC 5545) whose events name the receiver on duty
                 * @example BEGIN:VCALENDAR …
                 */
                rota?: string;
                /**
                 * @description handoffs go to the mail address and not to the desk
                 * @example true
                 */
                takesHandoffs?: boolean;
            }[];
            /** @description of what they are told */
            alertRules: {
                /**
                 * @description name
                 * @example People are being hurt
                 */
                name: string;
                /**
                 * @description what it watches
                 * @example incident
                 * @enum {string}
                 */
                watches: "incident" | "handoff" | "early" | "promise" | "probe" | "silence" | "crash";
                /**
                 * @description of this application alone
                 * @example Courier app
                 */
                application?: string;
                /**
                 * @description harm an hour, at least
                 * @example 60
                 */
                points?: number;
                /**
                 * @description people hurt, at least
                 * @example 20
                 */
                people?: number;
                /**
                 * @description only where most attempts fail or nothing comes
                 * @example true
                 */
                isBroken?: boolean;
                /**
                 * @description with nobody, or not accepted, for so long
                 * @example 15
                 */
                notAcceptedMinutes?: number;
                /**
                 * @description of a promise: chance that it breaks, at least
                 * @example 0.5
                 */
                chance?: number;
                /** @description names of receivers, or the words for the team that should get it */
                to: string[];
            }[];
            /** @description what roles want to see */
            boards: components["schemas"]["Board"][];
            /** @description days and times that are not as usual */
            calendar: {
                /** @description days, as YYYY-MM-DD */
                holidays: string[];
                /** @description times that nothing is learned from */
                excluded: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
                /** @description agreed work on the systems: promises do not count it, and nothing is learned from it */
                maintenance: {
                    /**
                     * @description begin
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description end
                     * @example 1772445600000
                     */
                    toMs: number;
                    /**
                     * @description why, in words
                     * @example migration
                     */
                    reason: string;
                }[];
            };
        };
        /**
         * TriedSetting
         * @description What a setting would match, if it were saved
         */
        TriedSetting: {
            /** @description a line each; none for what matches nothing */
            lines: {
                /**
                 * @description the rule, team or name
                 * @example POST /pick-ups*
                 */
                of: string;
                /**
                 * @description what it matches, in words
                 * @example matches 14 flows: POST /pick-ups, POST /pick-ups/{id} and 12 more
                 */
                words: string;
            }[];
        };
        /**
         * RecordChain
         * @description Whether the records are whole: each is chained to the one before
         */
        RecordChain: {
            /**
             * @description how many were read
             * @example 412
             */
            records: number;
            /**
             * @description the first that does not fit the one before it; null when all do
             * @example 17
             */
            brokenAt: number | null;
            /**
             * @description hash of the newest; written down elsewhere, it shows that none is missing; '' without any
             * @example 9f86d0…
             */
            newest: string;
        };
        /**
         * Records
         * @description Who did what, newest first
         */
        Records: {
            /** @description records */
            records: {
                /**
                 * @description number: 1, 2, 3 …, without a gap
                 * @example 412
                 */
                id: number;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description who did it, as they said; '' where nobody was asked
                 * @example Dana
                 */
                who: string;
                /**
                 * @description network address that it came from
                 * @example 10.0.0.7
                 */
                address: string;
                /**
                 * @description what was done
                 * @example Handoff of an incident to a team
                 */
                what: string;
                /**
                 * @description path of the API that was asked
                 * @example /api/handoffs
                 */
                about: string;
                /**
                 * @description what was given, and what stood there before, as JSON
                 * @example {"incident":7,"team":"Slots Team"}
                 */
                detail: string;
            }[];
            /**
             * @description older ones than this come next; null when there are none
             * @example 362
             */
            next: number | null;
        };
        /**
         * WatchOrders
         * @description What a service is to watch now
         */
        WatchOrders: {
            /**
             * @description when to ask again
             * @example 2000
             */
            everyMs: number;
            /** @description all that hold now: what is not among them is over */
            points: {
                /**
                 * @description number
                 * @example 4
                 */
                id: number;
                /**
                 * @description the end of the path of its file
                 * @example src/surcharge.js
                 */
                file: string;
                /**
                 * @description line of that file, from 1
                 * @example 24
                 */
                line: number;
                /** @description what is to be read */
                variables: string[];
                /**
                 * @description readings that are still wanted
                 * @example 88
                 */
                most: number;
                /**
                 * @description so long it holds
                 * @example 1800000
                 */
                endsInMs: number;
            }[];
        };
        /**
         * WatchPage
         * @description A watched line, and what its variables held
         */
        WatchPage: {
            /** @description the line */
            point: components["schemas"]["WatchPoint"];
            /** @description each process of the service that told of it */
            places: {
                /**
                 * @description host and number of the process
                 * @example scales-1:412
                 */
                instance: string;
                /**
                 * @description how the line stands there
                 * @example set
                 * @enum {string}
                 */
                state: "set" | "notLoaded" | "tooOften" | "done" | "refused";
                /**
                 * @description in words
                 * @example read before line 24 runs
                 */
                words: string;
                /**
                 * @description when it told so
                 * @example 1772443200000
                 */
                seenMs: number;
            }[];
            /** @description the newest first */
            readings: {
                /**
                 * @description number of the reading
                 * @example 8f14e45f-ceea-4672-a5a6-d8cd5b1f0b1a
                 */
                id: string;
                /**
                 * @description when the line was passed
                 * @example 1772443200000
                 */
                atMs: number;
                /**
                 * @description where
                 * @example scales-1:412
                 */
                instance: string;
                /** @description what each variable held, in the order of the variables */
                values: string[];
                /**
                 * @description trace that was under way; '' without one
                 * @example 4bf92f3577b34da6a3ce929d0e0e4736
                 */
                traceId: string;
                /**
                 * @description the first attempt of that trace; null while none is stored
                 * @example 00f067aa0ba902b7
                 */
                spanId: string | null;
            }[];
        };
        /**
         * WatchPoint
         * @description A line of running code at which variables are read
         */
        WatchPoint: {
            /**
             * @description number
             * @example 4
             */
            id: number;
            /**
             * @description service whose code it is
             * @example parcel-scales
             */
            component: string;
            /**
             * @description the end of the path of its file
             * @example src/surcharge.js
             */
            file: string;
            /**
             * @description line of that file, from 1
             * @example 24
             */
            line: number;
            /** @description what is read each time before the line runs */
            variables: string[];
            /**
             * @description so many readings are enough
             * @example 100
             */
            most: number;
            /**
             * @description why it is watched
             * @example labels of heavy parcels fail
             */
            why: string;
            /**
             * @description since when
             * @example 1772442480000
             */
            madeMs: number;
            /**
             * @description who watches it
             * @example Dana Holt
             */
            madeBy: string;
            /**
             * @description until when at most
             * @example 1772444280000
             */
            endsMs: number;
            /**
             * @description when somebody stopped it; null: nobody did
             * @example 1772443280000
             */
            stoppedMs: number | null;
            /**
             * @description who stopped it; '': nobody
             * @example
             */
            stoppedBy: string;
            /**
             * @description readings that came
             * @example 12
             */
            readings: number;
            /**
             * @description when the newest was; null without any
             * @example 1772443200000
             */
            lastMs: number | null;
            /**
             * @description it is being read: neither over nor stopped, and not full
             * @example true
             */
            isInForce: boolean;
        };
        /**
         * WatchPoints
         * @description Lines of running code that are or were watched
         */
        WatchPoints: {
            /** @description the newest first */
            points: components["schemas"]["WatchPoint"][];
            /** @description services that can be watched now, by name */
            services: {
                /**
                 * @description name of the service
                 * @example parcel-scales
                 */
                component: string;
                /**
                 * @description version that runs; '' where it does not say
                 * @example 2.4.0
                 */
                version: string;
                /**
                 * @description processes that ask which lines to watch
                 * @example 2
                 */
                instances: number;
            }[];
        };
        /**
         * Health
         * @description Whether this server takes telemetry and answers questions
         */
        Health: {
            /**
             * @description of the part that is worst
             * @example ok
             * @enum {string}
             */
            status: "ok" | "degraded" | "down";
            /**
             * @description version of Top Lens
             * @example 0.1.0
             */
            version: string;
            /** @description how each part of the server is */
            parts: {
                /** @description what takes telemetry */
                intake: components["schemas"]["PartHealth"];
                /** @description the journal that requests are acknowledged from */
                journal: components["schemas"]["PartHealth"];
                /** @description the database that everything is stored in */
                database: components["schemas"]["PartHealth"];
                /** @description the part that judges and answers */
                engine: components["schemas"]["PartHealth"];
                /** @description what looks through logs and page views */
                search: components["schemas"]["PartHealth"];
                /** @description room on the disk */
                disk: components["schemas"]["PartHealth"];
                /** @description backups made by night */
                backup: components["schemas"]["PartHealth"];
            };
            /**
             * @description up to when data is complete; 0 before the first
             * @example 1772446500000
             */
            watermarkMs: number;
            /**
             * @description up to when minutes are judged; 0 before the first
             * @example 1772446440000
             */
            judgedMs: number;
            /**
             * @description records that are acknowledged and not stored yet
             * @example 0
             */
            backlogRecords: number;
        };
        /**
         * PartHealth
         * @description How a part of the server is
         */
        PartHealth: {
            /**
             * @description state
             * @example ok
             * @enum {string}
             */
            state: "ok" | "degraded" | "down";
            /**
             * @description since when
             * @example 1772442840000
             */
            sinceMs: number;
            /**
             * @description in words
             * @example
             */
            words: string;
        };
        /**
         * RefusedRecords
         * @description Records that the database refused, newest first
         */
        RefusedRecords: {
            /**
             * @description how many there are
             * @example 128
             */
            total: number;
            /**
             * @description there are older ones
             * @example true
             */
            more: boolean;
            /** @description records, newest first */
            records: {
                /**
                 * @description number
                 * @example 7
                 */
                id: number;
                /**
                 * @description when it was
                 * @example 1772442840000
                 */
                atMs: number;
                /**
                 * @description what was to be stored
                 * @example logs
                 */
                kind: string;
                /**
                 * @description SQLSTATE of the refusal
                 * @example 54000
                 */
                sqlstate: string;
                /**
                 * @description why, in words
                 * @example a holiday moved by a week
                 */
                reason: string;
                /**
                 * @description the record as text, at most 64 kB
                 * @example {"body":"…"}
                 */
                record: string;
            }[];
        };
        /**
         * SentAgain
         * @description What came of sending a refused record again
         */
        SentAgain: {
            /**
             * @description it was taken this time
             * @example true
             */
            taken: boolean;
        };
        /**
         * ServerState
         * @description How this server is, what is judged again, whose clock is wrong
         */
        ServerState: {
            /**
             * @description state
             * @example ok
             * @enum {string}
             */
            state: "ok" | "degraded" | "down";
            /**
             * @description version of Top Lens
             * @example 0.1.0
             */
            version: string;
            /**
             * @description this server's clock
             * @example 1772446440000
             */
            nowMs: number;
            /** @description how each part of the server is */
            parts: {
                /** @description what takes telemetry */
                intake: components["schemas"]["PartHealth"];
                /** @description the journal that requests are acknowledged from */
                journal: components["schemas"]["PartHealth"];
                /** @description the database that everything is stored in */
                database: components["schemas"]["PartHealth"];
                /** @description the part that judges and answers */
                engine: components["schemas"]["PartHealth"];
                /** @description what looks through logs and page views */
                search: components["schemas"]["PartHealth"];
                /** @description room on the disk */
                disk: components["schemas"]["PartHealth"];
                /** @description backups made by night */
                backup: components["schemas"]["PartHealth"];
            };
            /**
             * @description from where old times are being judged again; null when none are
             * @example 1772438400000
             */
            judgedAgainFromMs: number | null;
            /**
             * @description up to when minutes are judged; null before the first
             * @example 1772446440000
             */
            judgedMs: number | null;
            /** @description names put under "other" since the start, by kind */
            gatheredNames: {
                /**
                 * @description kind of name
                 * @example page
                 */
                kind: string;
                /**
                 * @description how many
                 * @example 4
                 */
                names: number;
            }[];
            /** @description clocks that are not this server's */
            clocks: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description name of the host; '' where there is none
                 * @example depot-07
                 */
                host: string;
                /**
                 * @description by how much the clock is ahead of this server's
                 * @example 21600000
                 */
                aheadMs: number;
                /**
                 * @description records that were refused because of it
                 * @example 120
                 */
                refused: number;
                /**
                 * @description since when
                 * @example 1772442840000
                 */
                sinceMs: number;
                /**
                 * @description when it came last
                 * @example 1772446440000
                 */
                lastMs: number;
            }[];
            /** @description currencies without an exchange rate: their values are left out of money */
            currencies: {
                /**
                 * @description currency of values, ISO 4217
                 * @example JPY
                 */
                currency: string;
                /**
                 * @description values in it that no bill counts
                 * @example 298
                 */
                values: number;
                /**
                 * @description since when
                 * @example 1772442840000
                 */
                sinceMs: number;
            }[];
            /** @description where telemetry is taken */
            waysIn: {
                /**
                 * @description protocol of OpenTelemetry
                 * @example OTLP/HTTP
                 * @enum {string}
                 */
                protocol: "OTLP/HTTP" | "OTLP/gRPC";
                /**
                 * @description address that a client is given
                 * @example http://127.0.0.1:4317
                 */
                address: string;
                /**
                 * @description why it is not open; '' when it is
                 * @example
                 */
                trouble: string;
            }[];
            /**
             * @description telemetry is taken with a key alone
             * @example true
             */
            keysNeeded: boolean;
            /** @description names of the ingest keys */
            keyNames: string[];
            /** @description who sends telemetry, the newest first */
            senders: {
                /**
                 * @description name of the component (service.name)
                 * @example slots
                 */
                component: string;
                /**
                 * @description language, name and version of its SDK, as told last; '' where it does not say
                 * @example nodejs opentelemetry
                 */
                sdk: string;
                /**
                 * @description records that came since the start of the server
                 * @example 18400
                 */
                came: number;
                /**
                 * @description of them refused
                 * @example 0
                 */
                refused: number;
                /**
                 * @description of them entries that are no flow, as the settings say
                 * @example 12
                 */
                ignored: number;
                /**
                 * @description why the newest of these was refused; '' when none was
                 * @example
                 */
                why: string;
                /**
                 * @description the newest of these, in a few words; '' when none was
                 * @example span “POST /pay” of 2026-03-02T09:14:00.000Z
                 */
                sample: string;
                /**
                 * @description since when
                 * @example 1772442840000
                 */
                sinceMs: number;
                /**
                 * @description when the newest came
                 * @example 1772446440000
                 */
                lastMs: number;
            }[];
            /** @description requests with telemetry that were turned away as a whole, the newest first */
            turnedAway: {
                /**
                 * @description by what way it came
                 * @example POST /v1/traces
                 */
                way: string;
                /**
                 * @description why, and the way on
                 * @example send your ingest key as "authorization: Bearer …"
                 */
                why: string;
                /**
                 * @description requests turned away so since the start of the server
                 * @example 12
                 */
                requests: number;
                /**
                 * @description network address of the newest one
                 * @example 10.0.4.17
                 */
                from: string;
                /**
                 * @description since when
                 * @example 1772442840000
                 */
                sinceMs: number;
                /**
                 * @description when the newest came
                 * @example 1772446440000
                 */
                lastMs: number;
            }[];
            /**
             * @description where the page of the demo is that can be made to crash; null without it
             * @example http://127.0.0.1:4420
             */
            roundUrl: string | null;
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
    postV1Traces: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": Record<string, never>;
                "application/x-protobuf": string;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Logs: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": Record<string, never>;
                "application/x-protobuf": string;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Metrics: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": Record<string, never>;
                "application/x-protobuf": string;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Browser: {
        parameters: {
            query?: {
                /** @description the page's key; it is taken from its origins alone */
                key?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "text/plain": string;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Har: {
        parameters: {
            query?: {
                /** @description whose pages these are */
                component?: string;
                /** @description of which application */
                application?: string;
                /** @description of the pages */
                version?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": Record<string, never>;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1BusinessEvents: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/cloudevents+json": Record<string, never>;
                "application/cloudevents-batch+json": Record<string, never>[];
                "text/csv": string;
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Changes: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/cloudevents+json": Record<string, never>;
                "application/cloudevents-batch+json": Record<string, never>[];
            };
        };
        responses: {
            /** @description taken; the answer tells what was not */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description not of the protocol: do not send it again */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description an ingest key is needed */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description too large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description of another type */
            415: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description come back after Retry-After */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getWorstFirst: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description what orders the list */
                rankBy?: "harm" | "each" | "people" | "money" | "promises" | "keyCustomers";
                /** @description rates of a past window: as they were set then, or as they are today */
                rates?: "then" | "today";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Incidents of a window, worst first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WorstFirst"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getReleases: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Releases that a window can be compared with */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Releases"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getChanges: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Sudden changes: the end of a window against the time before it, for every flow and component */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Changes"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsById: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description rates of a past window: as they were set then, or as they are today */
                rates?: "then" | "today";
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One incident within a window */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Incident"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdStatements: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Statements that explain why an incident is slow */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlowerStatements"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdLostByTier: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Value that an incident cost so far, by tier */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LostByTier"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postIncidentsByIdDecisions: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who decides it
                     * @example Dana
                     */
                    who: string;
                    /**
                     * @description what is decided
                     * @example setAside
                     * @enum {string}
                     */
                    what: "join" | "unjoin" | "split" | "setAside" | "takeBack";
                    /**
                     * @description join: number of the incident into which it is joined
                     * @example 5
                     */
                    into?: number;
                    /** @description split: numbers of the flows that are split off */
                    flows?: number[];
                    /**
                     * @description setAside: why
                     * @example planned maintenance
                     */
                    reason?: string;
                    /**
                     * @description setAside: until when, at most a month from now
                     * @example 1772532840000
                     */
                    untilMs?: number;
                };
            };
        };
        responses: {
            /** @description the incident to look at now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Decided"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAlerts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Who is told of what, and what was sent */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Alerts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAlertsTry: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description the rule, as the settings hold it */
                    rule: unknown;
                };
            };
        };
        responses: {
            /** @description how often, and how often rightly */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TriedRule"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAlertsTest: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who gets a test message
                     * @example Slots Team
                     */
                    receiver: string;
                };
            };
        };
        responses: {
            /** @description as it is now: the message stands first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Alerts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAlertsMessagesByIdAgain: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the message (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description as it is now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Alerts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAttemptsByTraceIdBySpanId: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                traceId: string;
                /** @description 16 hexadecimal digits */
                spanId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One attempt with all its spans */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AttemptPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAttemptsByTraceIdBySpanIdHosts: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                traceId: string;
                /** @description 16 hexadecimal digits */
                spanId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Hosts of an attempt in its minutes */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Hosts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAttemptsByTraceIdBySpanIdPerson: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                traceId: string;
                /** @description 16 hexadecimal digits */
                spanId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Who made an attempt: known since when, and what they did in the day before */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AttemptPerson"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAttemptsByTraceIdBySpanIdBeside: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                traceId: string;
                /** @description 16 hexadecimal digits */
                spanId: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What else a store was asked while this statement ran */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Beside"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getBoards: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Boards: what roles want to see */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Boards"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getBoardsByName: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description name of the board */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A board with what its tiles show now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BoardView"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getBoardsByNameLinks: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description name of the board */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Pages of a board that open without a login */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BoardLinks"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postBoardsByNameLinks: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description name of the board */
                name: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description the tile at this place alone, from 0; left out: the whole board
                     * @example 0
                     */
                    tile?: number;
                    /**
                     * @description it ends after so many days
                     * @default 7
                     * @example 7
                     */
                    days?: number;
                };
            };
        };
        responses: {
            /** @description the only time that the link itself is told */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SharedLink"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteBoardsByNameLinksByLink: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description name of the board */
                name: string;
                /** @description identity of the link (UUID) */
                link: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is revoked */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSharedBoardsByToken: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the secret that stands in the link */
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What a link to a board shows now, without persons */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BoardView"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSlowestFlows: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The slowest flows, each with its slowest attempts */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SlowestFlows"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlows: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description All flows with what their attempts came to */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FlowTable"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowsById: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the flow */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One flow */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FlowPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowsByIdSteps: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the flow */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Steps inside a flow, each against its own limit */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Steps"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowsByIdField: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the flow */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Attempts of a flow by time and duration */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Field"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowsByIdRegion: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description took at least so long */
                longer?: number;
                /** @description took less than this; left out: however long */
                shorter?: number;
                /** @description those that failed; all bad ones: late, hung or failed; those that succeeded, with most value first; left out: all */
                only?: "failed" | "bad" | "succeeded";
            };
            header?: never;
            path: {
                /** @description number of the flow */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Attempts of a part of the field, worst first; of those that succeeded, with most value first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Region"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowsByIdPath: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the flow */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The components that a flow goes through */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Path"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getFlowCounts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description All that was ever recorded, by flow */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FlowCounts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getJourneys: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Ways that people walk through flows: who sets out, leaves, completes */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Journeys"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getJourneysById: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description numbers of its flows, joined by hyphens */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One journey, step by step, and in which order to mend */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Journey"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getJourneysByIdStepsByStep: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description which sessions: all that came, went on, may still go on, left, left after they met trouble here, or met trouble here */
                of?: "came" | "wentOn" | "undecided" | "left" | "leftAfterTrouble" | "metTrouble";
            };
            header?: never;
            path: {
                /** @description numbers of its flows, joined by hyphens */
                id: string;
                /** @description the step, from 1 */
                step: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The sessions at one step of a journey, by what became of them */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["JourneyStepPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getMoney: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Orders, value, size and conversion against the same hours of like days */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Money"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getEarlyWarnings: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Probes that are off, flows that answer in next to no time, hosts that fell silent while others of their component work, and figures of hosts that are full or raised */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EarlyWarnings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getEstate: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Everything that runs: the end of the window against the same hours of earlier days */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Estate"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getComponentsByName: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path: {
                /** @description name of the component (service.name) */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A component: callers, callees, hosts, flows, incidents, changes */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Component"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdHosts: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Hosts of an incident: processes and runtimes too, ruled out or left over */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Hosts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdLogs: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Log lines of an incident's components brought to patterns, against the hours before */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LogPatterns"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPages: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description what views are told apart by */
                by?: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
                /** @description only views of this page */
                page?: string;
                /** @description only views of this country */
                country?: string;
                /** @description only views of this area */
                area?: string;
                /** @description only views of this browser */
                browser?: string;
                /** @description only views of this system */
                system?: string;
                /** @description only views of this connection */
                connection?: string;
                /** @description only views of this version */
                version?: string;
                /** @description only views of this application */
                application?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Page loads in browsers by page or country, heaviest first; where it is worse; what does not come */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageLoads"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPageLoadsByView: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 16 hexadecimal digits */
                view: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One view of one page, with all that it fetched */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageLoad"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPageLoadOfByTrace: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                trace: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The view that a trace began in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PageLoadOf"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getScriptErrors: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only views of this page */
                page?: string;
                /** @description only views of this country */
                country?: string;
                /** @description only views of this area */
                area?: string;
                /** @description only views of this browser */
                browser?: string;
                /** @description only views of this system */
                system?: string;
                /** @description only views of this connection */
                connection?: string;
                /** @description only views of this version */
                version?: string;
                /** @description only views of this application */
                application?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Errors of scripts in groups, by people met */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ScriptErrors"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSourceMaps: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Source maps that stacks are read through */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SourceMaps"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSourceMaps: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description component that serves the script
                     * @example shop-pages
                     */
                    component: string;
                    /**
                     * @description its version
                     * @default
                     * @example 4.18.0
                     */
                    version?: string;
                    /**
                     * @description name of the script, without a path
                     * @example app.min.js
                     */
                    file: string;
                    /** @description the source map, version 3 (ECMA-426) */
                    map: {
                        [key: string]: unknown;
                    };
                };
            };
        };
        responses: {
            /** @description kept */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SourceMapKept"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdHurt: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description People whom an incident hurt, worst off first, without names */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Hurt"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postIncidentsByIdHurtExport: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only what this team has or should get */
                team?: string;
                /** @description with what the window is compared */
                against?: "nothing" | "week" | "day" | "before" | "release";
                /** @description with against=release: before which release, by the moment it was first seen; left out: the newest */
                release?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this version */
                version?: string;
                /** @description only attempts of this region */
                region?: string;
                /** @description only attempts of this tier */
                tier?: string;
                /** @description only attempts of this promotion */
                promotion?: string;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this device */
                device?: string;
                /** @description only attempts of this browser */
                browser?: string;
                /** @description only attempts of this system */
                system?: string;
                /** @description only attempts of this carrier */
                carrier?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description what this is for; recorded
                     * @example call back those who lost a pick-up
                     */
                    why: string;
                };
            };
        };
        responses: {
            /** @description CSV (RFC 4180) */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postPeopleFind: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description an id, or an e-mail address whose SHA-256 is looked for
                     * @example courier-0412
                     */
                    find: string;
                    /**
                     * @description what this is for; recorded
                     * @example call back those who lost a pick-up
                     */
                    why: string;
                };
            };
        };
        responses: {
            /** @description found */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Person"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postPeopleExport: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description an id, or an e-mail address whose SHA-256 is looked for
                     * @example courier-0412
                     */
                    find: string;
                    /**
                     * @description what this is for; recorded
                     * @example call back those who lost a pick-up
                     */
                    why: string;
                };
            };
        };
        responses: {
            /** @description rows by table, with names for numbers and moments in UTC */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": Record<string, never>;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postPeopleErase: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description an id, or an e-mail address whose SHA-256 is looked for
                     * @example courier-0412
                     */
                    find: string;
                    /**
                     * @description what this is for; recorded
                     * @example call back those who lost a pick-up
                     */
                    why: string;
                };
            };
        };
        responses: {
            /** @description erased */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ErasedPerson"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAttemptsByTraceIdBySpanIdUnmasked: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 32 hexadecimal digits */
                traceId: string;
                /** @description 16 hexadecimal digits */
                spanId: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description what this is for; recorded
                     * @example call back those who lost a pick-up
                     */
                    why: string;
                };
            };
        };
        responses: {
            /** @description the attempt */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AttemptPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPersonLooks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Who looked at persons by name, and why */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PersonLooks"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPhone: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only launches, crashes and sessions of this version */
                version?: string;
                /** @description only launches, crashes and sessions on this model */
                device?: string;
                /** @description only launches, crashes and sessions on this network */
                carrier?: string;
                /** @description only launches, crashes and sessions in this country */
                region?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Versions of phone applications side by side, and crashes in groups */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Phone"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getCrashGroupsByCrash: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path: {
                /** @description 16 hexadecimal digits */
                crash: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The group of a crash: where it happens more often */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CrashGroupPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getCrashesByCrash: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 16 hexadecimal digits */
                crash: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One crash, with threads, trail and session */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["CrashPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPhoneAddresses: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only launches, crashes and sessions of this version */
                version?: string;
                /** @description only launches, crashes and sessions on this model */
                device?: string;
                /** @description only launches, crashes and sessions on this network */
                carrier?: string;
                /** @description only launches, crashes and sessions in this country */
                region?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What phones asked of servers, by address */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PhoneAddresses"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPhoneSessions: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only sessions that asked this address */
                address?: string;
                /** @description only this application */
                application?: string;
                /** @description only launches, crashes and sessions of this version */
                version?: string;
                /** @description only launches, crashes and sessions on this model */
                device?: string;
                /** @description only launches, crashes and sessions on this network */
                carrier?: string;
                /** @description only launches, crashes and sessions in this country */
                region?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Sessions on phones, the worst first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PhoneSessions"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPhoneSessionsBySession: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 8 hexadecimal digits */
                session: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One session on one clock */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PhoneSessionPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getNameMappings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Mappings that names in stacks are restored by */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NameMappings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postNameMappings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description component that sends the crashes
                     * @example round
                     */
                    component: string;
                    /**
                     * @description its version
                     * @example 7.3.0
                     */
                    version: string;
                    /**
                     * @description text of the mapping that R8 or ProGuard wrote
                     * @example app.round.photo.Camera -> a.b:
                     *         void take() -> a
                     */
                    mapping: string;
                };
            };
        };
        responses: {
            /** @description kept */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NameMappingKept"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPromiseReport: {
        parameters: {
            query?: {
                /** @description a page for reading and paper, text, or figures */
                format?: "html" | "markdown" | "csv";
                /** @description one promise; all when left out */
                name?: string;
                /** @description of the period so many before; 0: the one that the end of the window lies in */
                periodsBack?: number;
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description the report */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/html": string;
                    "text/markdown": string;
                    "text/csv": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdPromises: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Promises that an incident spends the budget of */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["EndangeredPromises"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPromises: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description All that was promised, and how it stands */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Promises"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPromisesByNameAttempts: {
        parameters: {
            query?: {
                /** @description of this site alone */
                site?: string;
                /** @description of this flow alone, by its number */
                flow?: number;
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path: {
                /** @description name of the promise */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Attempts that broke a promise, the newest first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PromiseAttempts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getPromisesByName: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path: {
                /** @description name of the promise */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A promise, who spent its budget, and where */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PromisePage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHappened: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only what this team has or should get */
                team?: string;
                /** @description only what is of this kind */
                kind?: "opened" | "over" | "early" | "handoff" | "proven" | "promise" | "crash" | "alert" | "release" | "change";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What happened: incidents, handoffs, releases, changes */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Happened"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHappenedJson: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only what this team has or should get */
                team?: string;
                /** @description only what is of this kind */
                kind?: "opened" | "over" | "early" | "handoff" | "proven" | "promise" | "crash" | "alert" | "release" | "change";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What happened as JSON Feed 1.1, for readers of feeds */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/feed+json": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHappenedIcs: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only what this team has or should get */
                team?: string;
                /** @description only what is of this kind */
                kind?: "opened" | "over" | "early" | "handoff" | "proven" | "promise" | "crash" | "alert" | "release" | "change";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What happened as iCalendar (RFC 5545), for calendars */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/calendar": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSites: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only attempts of this host */
                host?: string;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description what the groups are told apart by */
                by?: "site" | "department" | "role" | "station" | "server";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Activities of people at work by site or the like, on one scale, and what is off */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Sites"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSitesPerson: {
        parameters: {
            query: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description name of the device */
                host: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One person at work over time, against like people */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WorkPerson"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getRemoteDesktops: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description what sessions are told apart by; centre: the data centre */
                by?: "site" | "server" | "client" | "centre";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Sessions on remote desktops: the way there, beside what is done there */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Remote"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSitesChange: {
        parameters: {
            query: {
                /** @description only this application */
                application?: string;
                /** @description only the flow of this number */
                flow?: number;
                /** @description only attempts of this site */
                site?: string;
                /** @description only attempts of this department */
                department?: string;
                /** @description only attempts of this role */
                role?: string;
                /** @description only attempts of this station */
                station?: string;
                /** @description only attempts of this server */
                server?: string;
                /** @description when it was changed */
                at: string;
                /** @description when the change was done, where it took a while; what is between is not compared */
                until?: string;
                /** @description so long before and after at most; shorter where less time has gone by */
                days?: number;
                /** @description groups that were changed, each by its name */
                changed?: string[];
                /** @description what the groups are told apart by */
                by?: "site" | "department" | "role" | "station" | "server";
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Groups that had a change against groups that did not, before and after it */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SiteChange"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getProbes: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Every scripted check from every site, the worst first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Probes"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getProbesByName: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description steps and runs of this site alone */
                site?: string;
            };
            header?: never;
            path: {
                /** @description name of the probe */
                name: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One probe: its sites, steps, runs, script and limits */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProbePage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getProbeRunsById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description 16 hexadecimal digits */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One run, step by step, with where the time of each went */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProbeRunPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getV1Probes: {
        parameters: {
            query: {
                /** @description where the runner stands */
                site: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description scripts, and the clock of the server */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProbeScripts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getStanding: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Every application in three words, and every activity with whom its limit fails */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Standing"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getIncidentsByIdBrief: {
        parameters: {
            query?: {
                /** @description minutes up to the newest judged one; moves on by itself; 60 when nothing is given */
                last?: number;
                /** @description begin, with `to` */
                from?: string;
                /** @description end, with `from` */
                to?: string;
                /** @description to whom; left out: the proposed team */
                team?: string;
                /** @description what the sender adds */
                note?: string;
            };
            header?: never;
            path: {
                /** @description number of the incident */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The brief as it would be sent */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["BriefPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHandoffs: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Handoffs, newest first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoffs"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postHandoffs: {
        parameters: {
            query?: never;
            header: {
                /** @description the same key never sends twice */
                "idempotency-key": string;
            };
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description number of the incident
                     * @example 7
                     */
                    incident: number;
                    /**
                     * @description to whom it is sent
                     * @example Slots Team
                     */
                    team: string;
                    /**
                     * @description what the sender adds
                     * @default
                     * @example please look at the gateway first
                     */
                    note?: string;
                    /**
                     * @description what the team is asked for
                     * @default cause
                     * @example cause
                     * @enum {string}
                     */
                    purpose?: "cause" | "workaround";
                    /**
                     * @description begin of the window that the brief tells of
                     * @example 1772442000000
                     */
                    fromMs: number;
                    /**
                     * @description its end
                     * @example 1772445600000
                     */
                    toMs: number;
                };
            };
        };
        responses: {
            /** @description was made before with this key */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHandoffsById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description One handoff with its trail */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHandoffsByIdProof: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description What the figures say since the newest reported fix, now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["FixProof"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHandoffsByIdReport: {
        parameters: {
            query?: {
                /** @description format */
                as?: "markdown" | "csv";
            };
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Markdown, or CSV with a header */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/markdown": string;
                    "text/csv": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postHandoffsByIdLinks: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description brief: to read; answer: its team may answer there as well
                     * @default brief
                     * @example brief
                     * @enum {string}
                     */
                    kind?: "brief" | "answer";
                    /**
                     * @description it ends after so many days
                     * @default 7
                     * @example 7
                     */
                    days?: number;
                };
            };
        };
        responses: {
            /** @description the only time that the link itself is told */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SharedLink"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteHandoffsByIdLinksByLink: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
                /** @description identity of the link (UUID) */
                link: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is revoked */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHandoffTimes: {
        parameters: {
            query?: {
                /** @description of the last so many months */
                months?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description How long handoffs took, by team, flow and month */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["HandoffTimes"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postHandoffsByIdAgain: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description as it is now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postHandoffsByIdAccept: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who accepts it
                     * @example Noor
                     */
                    who: string;
                };
            };
        };
        responses: {
            /** @description as it is now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postHandoffsByIdAnswer: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description identity of the handoff (UUID) */
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description what the team says
                     * @example taken
                     * @enum {string}
                     */
                    answer: "taken" | "returned" | "moved" | "merged" | "fixReported";
                    /**
                     * @description why; needed when it is returned
                     * @default
                     * @example not ours: the gateway is
                     */
                    reason?: string;
                    /**
                     * @description with moved: the team that has it now
                     * @default
                     * @example Routing Team
                     */
                    team?: string;
                    /**
                     * @description with merged: the other handoff, or the ticket of the desk
                     * @default
                     * @example INC-4711
                     */
                    into?: string;
                    /**
                     * @description with fixReported: since when the fix is in, ISO 8601; left out: since now
                     * @default
                     * @example 2026-03-02T10:20:00Z
                     */
                    fixedAt?: string;
                    /**
                     * @description who answers
                     * @default
                     * @example Kim
                     */
                    by?: string;
                };
            };
        };
        responses: {
            /** @description as it is now */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Handoff"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
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
            /** @description Rates, calendar, and every change of a setting */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSettings: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who changes it
                     * @example Dana
                     */
                    who: string;
                    /**
                     * @description which setting: rates, calendar, a part of the settings file, or the key of a flow or journey
                     * @example rates
                     */
                    key: string;
                    /** @description what it is set to; null: back to the settings file */
                    value?: unknown;
                    /**
                     * @description from when on it is in force; left out: from now
                     * @example 1772442840000
                     */
                    fromMs?: number;
                };
            };
        };
        responses: {
            /** @description as they are now */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSettingsTry: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description which setting: rates, calendar, a part of the settings file, or the key of a flow or journey
                     * @example rates
                     */
                    key: string;
                    /** @description what it is set to; null: back to the settings file */
                    value?: unknown;
                };
            };
        };
        responses: {
            /** @description what it would match */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TriedSetting"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSettingsCalendarIcs: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description holidays as whole days; maintenance and what is left out as events of that category */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/calendar": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSettingsCalendarRead: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description the file (RFC 5545)
                     * @example BEGIN:VCALENDAR …
                     */
                    text: string;
                };
            };
        };
        responses: {
            /** @description what the file holds, from a year ago to two years ahead */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ReadCalendar"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSettingsFile: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description All settings in one file, with what single flows and journeys were given in place */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SettingsFile"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSettingsFile: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who changes it
                     * @example Dana
                     */
                    who: string;
                    /** @description all settings, as SettingsFile */
                    settings: unknown;
                };
            };
        };
        responses: {
            /** @description as they are now */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSettingsFileSchema: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description JSON Schema of the settings file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/schema+json": {
                        [key: string]: unknown;
                    };
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSettingsChangesByIdUndo: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the change */
                id: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description who changes it
                     * @example Dana
                     */
                    who: string;
                };
            };
        };
        responses: {
            /** @description as they are now */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Settings"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getSession: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Who is signed in, and what they may do */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSession: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description mail address
                     * @example rowan.teal@pellwick.example
                     */
                    mail: string;
                    /**
                     * @description password
                     * @example four words that nobody guesses
                     */
                    password: string;
                };
            };
        };
        responses: {
            /** @description who is signed in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteSession: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is done */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SignedOut"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSessionSecondFactor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description one-time password, or a recovery code
                     * @example 287082
                     */
                    code: string;
                };
            };
        };
        responses: {
            /** @description who is signed in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSessionVisitor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description number of an account
                     * @example 3
                     */
                    account: number;
                };
            };
        };
        responses: {
            /** @description who is signed in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSessionProvider: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description where to go */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ProviderAddress"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postSessionProviderBack: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description the whole address at which the provider sent them back
                     * @example https://lens.example/signed-in?code=…
                     */
                    address: string;
                };
            };
        };
        responses: {
            /** @description who is signed in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAccount: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Of oneself */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OwnAccount"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountPassword: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description password
                     * @example four words that nobody guesses
                     */
                    current: string;
                    /**
                     * @description password
                     * @example four words that nobody guesses
                     */
                    next: string;
                };
            };
        };
        responses: {
            /** @description of oneself */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OwnAccount"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountSecondFactor: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description the secret */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NewSecondFactor"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountSecondFactorConfirm: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description one-time password, or a recovery code
                     * @example 287082
                     */
                    code: string;
                    /**
                     * @description the secret that was told
                     * @example JBSWY3DPEHPK3PXPJBSWY3DPEHPK3PXP
                     */
                    secret: string;
                };
            };
        };
        responses: {
            /** @description for who has lost the phone */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RecoveryCodes"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountSecondFactorEnd: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description password
                     * @example four words that nobody guesses
                     */
                    password: string;
                };
            };
        };
        responses: {
            /** @description of oneself */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OwnAccount"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteAccountSessions: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAccountLinksByToken: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the secret that stands in the link */
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Whom a link is for, by which a password is chosen */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["LinkedAccount"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountLinksByToken: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the secret that stands in the link */
                token: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description password
                     * @example four words that nobody guesses
                     */
                    password: string;
                    /**
                     * @description name
                     * @example Rowan Teal
                     */
                    name?: string;
                    /**
                     * @description mail address
                     * @example rowan.teal@pellwick.example
                     */
                    mail?: string;
                };
            };
        };
        responses: {
            /** @description who is signed in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SessionState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getAccounts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description People who sign in */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Accounts"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccounts: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description name
                     * @example Rowan Teal
                     */
                    name: string;
                    /**
                     * @description mail address
                     * @example rowan.teal@pellwick.example
                     */
                    mail: string;
                    /** @description what they are given */
                    grants: {
                        /**
                         * @description which
                         * @example owner
                         * @enum {string}
                         */
                        role: "viewer" | "support" | "owner" | "team" | "administrator" | "persons" | "watch";
                        /**
                         * @description the application or team that it holds for
                         * @default
                         * @example Sender Portal
                         */
                        of?: string;
                        /**
                         * @description until when; null without an end
                         * @example 1775034480000
                         */
                        untilMs?: number | null;
                    }[];
                };
            };
        };
        responses: {
            /** @description the link by which they choose a password */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AccountLink"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountsById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the account */
                id: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description what they are given */
                    grants: {
                        /**
                         * @description which
                         * @example owner
                         * @enum {string}
                         */
                        role: "viewer" | "support" | "owner" | "team" | "administrator" | "persons" | "watch";
                        /**
                         * @description the application or team that it holds for
                         * @default
                         * @example Sender Portal
                         */
                        of?: string;
                        /**
                         * @description until when; null without an end
                         * @example 1775034480000
                         */
                        untilMs?: number | null;
                    }[];
                    /**
                     * @description cannot sign in any more
                     * @default false
                     * @example false
                     */
                    isEnded?: boolean;
                };
            };
        };
        responses: {
            /** @description the account */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Account"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postAccountsByIdLink: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the account */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description the link */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["AccountLink"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteAccountsByIdSecondFactor: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the account */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteAccountsByIdSessions: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the account */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getKeys: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Keys of what sends telemetry, made here */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SenderKeyList"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postKeys: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description what sends with it
                     * @example page
                     * @enum {string}
                     */
                    kind: "service" | "page" | "phone";
                    /**
                     * @description of services the source; of pages and phones their component
                     * @example portal-browser
                     */
                    name: string;
                    /** @description of pages: where they come from */
                    origins?: string[];
                };
            };
        };
        responses: {
            /** @description its secret */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NewSecret"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteKeysById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the key */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is revoked */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postKeysByIdSecret: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the key */
                id: number;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description so long the secret that it has is taken as well
                     * @default 24
                     * @example 24
                     */
                    overlapHours?: number;
                };
            };
        };
        responses: {
            /** @description the new secret */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["NewSecret"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getRecords: {
        parameters: {
            query?: {
                /** @description only those that hold this text */
                find?: string;
                /** @description only older ones than this */
                before?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Who did what, newest first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Records"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getRecordsCsv: {
        parameters: {
            query?: {
                /** @description only those that hold this text */
                find?: string;
                /** @description only older ones than this */
                before?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description CSV with a header */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getRecordsChain: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Whether the records are whole */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RecordChain"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getWatchPoints: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Lines of running code that are or were watched */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WatchPoints"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postWatchPoints: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description service whose code it is
                     * @example parcel-scales
                     */
                    component: string;
                    /**
                     * @description the end of the path of its file
                     * @example src/surcharge.js
                     */
                    file: string;
                    /**
                     * @description line of that file, from 1
                     * @example 24
                     */
                    line: number;
                    /** @description what is read before the line runs */
                    variables: string[];
                    /**
                     * @description why it is watched
                     * @example labels of heavy parcels fail
                     */
                    why: string;
                    /**
                     * @description so long it holds at most
                     * @default 30
                     * @example 30
                     */
                    minutes?: number;
                    /**
                     * @description so many readings are enough
                     * @default 100
                     * @example 100
                     */
                    most?: number;
                };
            };
        };
        responses: {
            /** @description it holds from now on */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WatchPoint"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getWatchPointsById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the watch point */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A watched line, and what its variables held */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WatchPage"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postWatchPointsByIdStop: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the watch point */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it is over */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WatchPoint"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postV1Watch: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * @description name of the service
                     * @example parcel-scales
                     */
                    component: string;
                    /**
                     * @description host and number of the process
                     * @example scales-1:412
                     */
                    instance: string;
                    /**
                     * @description version that runs
                     * @default
                     * @example 2.4.0
                     */
                    version?: string;
                    /** @description how each watch point stands in this process */
                    places?: {
                        point: number;
                        /** @enum {string} */
                        state: "set" | "notLoaded" | "tooOften" | "done" | "refused";
                        line: number;
                    }[];
                    /** @description what the variables held; one that was sent before is known by its id */
                    readings?: {
                        id: string;
                        point: number;
                        atMs: number;
                        /** @default  */
                        traceId?: string;
                        values: string[];
                    }[];
                };
            };
        };
        responses: {
            /** @description what to watch until the next time */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["WatchOrders"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getReadyz: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it takes telemetry and answers questions */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description it does not: the parts say why */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHealthz: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description it takes telemetry and answers questions */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description it does not: the parts say why */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getStatus: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description How fresh the data is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Freshness"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getServerState: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description How this server's parts are, what is judged again, whose clock is wrong */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ServerState"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getRefusedRecords: {
        parameters: {
            query?: {
                /** @description older than the one of this number */
                before?: number;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Records that the database refused, newest first */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RefusedRecords"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    deleteRefusedRecordsById: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the refused record */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description dropped */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    postRefusedRecordsByIdSendAgain: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description number of the refused record */
                id: number;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description whether it was taken this time */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["SentAgain"];
                };
            };
            /** @description what is wrong and the way on */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description what is wrong and the way on */
            "5XX": {
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
