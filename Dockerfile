# The server with the built application. `docker build -t marginalis .`, then `docker run -p 4173:4173 -v links:/marginalis/data marginalis`.
# Each step is tried by `npm run references` (scripts/runDockerfile.mjs).
FROM node:20-bookworm-slim AS built
WORKDIR /build
COPY package.json package-lock.json ./
COPY core/package.json core/
COPY app/package.json app/
COPY server/package.json server/
RUN npm ci --no-audit --no-fund
COPY . .
RUN npm run -s build

FROM node:20-bookworm-slim
WORKDIR /marginalis
COPY package.json package-lock.json ./
COPY core/package.json core/
COPY app/package.json app/
COPY server/package.json server/
RUN npm ci --omit=dev --no-audit --no-fund --workspace core --workspace server
COPY core/src core/src
COPY server/src server/src
COPY --from=built /build/app/dist app/dist
# By number: it is the user `node` of the image.
RUN mkdir data && chown 1000:1000 data
USER 1000
ENV NODE_ENV=production
ENV PORT=4173
ENV DATA_FOLDER=data/links
ENV OUTBOX_FOLDER=data/outbox
ENV DEVICES_FOLDER=data/devices
VOLUME /marginalis/data
EXPOSE 4173
HEALTHCHECK CMD ["node", "-e", "fetch(`http://localhost:${process.env.PORT}/api/health`).then(({ ok }) => process.exit(ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "--import", "tsx", "server/src/main.ts"]
