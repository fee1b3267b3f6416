require "support/screens"
require "support/servers"

RSpec.describe "A server that is killed in the middle of changes", :screen do
  include ServerSupport

  # A visitor with a colour in hand: [cookie, token].
  def visitor(http, project_id)
    page = http.get("/projects/#{project_id}/gather")
    cookie = page["Set-Cookie"][/\A[^;]+/]
    token = page.body[/name="authenticity_token" value="([^"]+)"/, 1]
    held = http.post("/projects/#{project_id}/hand", URI.encode_www_form(authenticity_token: token, notation: "#52A3CC"), "Cookie" => cookie)
    [held["Set-Cookie"] ? held["Set-Cookie"][/\A[^;]+/] : cookie, token]
  end

  # Keeps colour after colour until the server is gone.
  # @return [Array<String>] names that the server confirmed
  def keep_until_killed(project_id, group, enough)
    confirmed = []
    Net::HTTP.start("127.0.0.1", port) do |http|
      cookie, token = visitor(http, project_id)
      loop do
        name = "Kept #{confirmed.size}"
        answer = http.post("/projects/#{project_id}/keep", URI.encode_www_form(authenticity_token: token, group:, name:), "Cookie" => cookie)
        raise "not kept: #{answer.code}" unless answer.code == "303"
        confirmed << name
        enough << true if confirmed.size == 25
      end
    end
  rescue SystemCallError, EOFError, Net::HTTPBadResponse
    confirmed
  ensure
    enough << true # whatever went wrong, nobody waits for ever
  end

  it "loses nothing that was confirmed and leaves nothing half done" do
    group = Group.create!(palette: demo.palettes.first, name: "Under fire", position: 9)
    pid = start_server
    enough = Queue.new
    project_id = demo.id
    keeper = Thread.new { keep_until_killed(project_id, group.id, enough) }
    enough.pop
    kill_server(pid)
    confirmed = keeper.value

    kept = group.swatches.reload.map(&:name)
    changes = RecordedChange.where(project: demo).pluck(:words)
    expect(confirmed.size).to be >= 25
    expect(confirmed - kept).to be_empty
    expect(kept.size - confirmed.size).to be_between(0, 1) # the last may be kept without its answer
    expect(changes).to match_array(kept.map { |name| "Kept #{name} in Under fire" })

    # A server started again goes on from there.
    pid = start_server
    expect(Net::HTTP.get(URI("http://127.0.0.1:#{port}/projects/#{demo.id}/palettes"))).to include(confirmed.last)
    kept.size.times { undo(demo) }
    expect(group.swatches.reload).to be_empty
  ensure
    kill_server(pid) if pid
  end
end
