/** What no route answers to. */
export default defineEventHandler((event) => refuseRequest(event, 404, 'unknown', 'there is nothing here.'))
